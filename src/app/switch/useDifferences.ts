'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { Difference } from '@/core/runsheet';
import { whyNot } from '@/ui/shell/queries';

/**
 * What is plugged otherwise than the rig has it on paper now; undefined until it is known.
 * @param revision of the rig, and the version of the sheet, that are held against each other
 */
export function useDifferences(id: string, changed: boolean, revision: number, version: number) {
  const queries = useQueryClient();
  const queryKey = [`/api/rigs/${id}/switching/differences`, revision, version];
  const asked = useQuery<{ differences: Difference[] }>({ queryKey, enabled: changed });
  return {
    differences: changed ? asked.data?.differences : undefined,
    failed: changed ? whyNot(asked) : '',
    again: () => void queries.resetQueries({ queryKey }),
  };
}
