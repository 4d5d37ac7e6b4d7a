'use client';

import { useEffect, useState } from 'react';
import type { Difference } from '@/core/runsheet';
import { ask } from '@/ui/shell/ask';

interface Found {
  /** The revision of the rig, and the version of the sheet, that were held against each other. */
  of: string;
  differences?: Difference[];
  failed?: string;
}

/** What is plugged otherwise than the rig has it on paper now; undefined until it is known. */
export function useDifferences(id: string, changed: boolean, revision: number, version: number) {
  const [found, setFound] = useState<Found>();
  const [tries, setTries] = useState(0);
  const of = `${revision} ${version}`;
  useEffect(() => {
    if (!changed) return;
    let wanted = true;
    void ask<{ differences: Difference[] }>(`/api/rigs/${id}/switching/differences`, {}).then(({ body, failed }) => {
      if (wanted) setFound({ of, ...(body && { differences: body.differences }), ...(failed && { failed }) });
    });
    return () => {
      wanted = false;
    };
  }, [id, changed, of, tries]);
  const current = changed && found?.of === of ? found : undefined;
  return { differences: current?.differences, failed: current?.failed, again: () => setTries((n) => n + 1) };
}
