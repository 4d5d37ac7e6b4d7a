'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';
import type { KeptMeasurement } from '@/core/noise/kept';
import { whyNot } from '@/ui/shell/queries';

interface List {
  measurements: KeptMeasurement[];
}

const pathOf = (rig: string, line = ''): string => `/api/rigs/${rig}/measurements?line=${encodeURIComponent(line)}`;

const without = (all: readonly KeptMeasurement[], line: string | undefined): KeptMeasurement[] =>
  all.filter((each) => each.line !== line);

/**
 * What was kept of a rig, as far as it is looked at: everything of one line, of the others what they are held against.
 * @param came with the page: of each line the last, or more
 */
export function useKept(rig: string, came: readonly KeptMeasurement[], line: string | undefined) {
  const queries = useQueryClient();
  const [known, setKnown] = useState(came);
  const asked = useQuery<List>({ queryKey: [pathOf(rig, line)], enabled: line !== undefined });
  const whole = asked.data?.measurements;
  const own = useMemo(() => whole ?? known.filter((each) => each.line === line), [whole, known, line]);
  const all = useMemo(() => [...without(known, line), ...own], [known, line, own]);
  const take = useCallback(
    (measurements: KeptMeasurement[]) => {
      // Of a line that is not looked at any more it is known as well.
      setKnown((before) => [...without(before, line), ...measurements]);
      const queryKey = [pathOf(rig, line)];
      // What is on its way may be from before.
      void queries.cancelQueries({ queryKey }).then(() => queries.setQueryData<List>(queryKey, { measurements }));
    },
    [queries, rig, line],
  );
  return { all, own, take, again: asked.refetch, missing: whole ? '' : whyNot(asked) };
}
