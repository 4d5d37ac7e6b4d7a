'use client';

import { useEffect, useState } from 'react';
import { aimFor, besideLine, sheetKey, type Aim, type Way } from '@/core/runsheet';
import type { useRig } from '@/ui/rig/useRig';
import type { Switching } from './useSwitching';

interface Pending {
  line: string;
  copy: string;
  /** The switch that is turned for it, and to what. */
  key?: string;
  feed: Way['feed'];
}

/** Changes a line over by putting a second one beside it: the rig gets that line first, then the sheet is begun. */
export function useBeside(rig: ReturnType<typeof useRig>, { live, tell }: Switching, onBegun: () => void) {
  const [pending, setPending] = useState<Pending>();
  const { document, saving, revision, change } = rig;
  const saved = saving.state === 'saved' && pending && document.lines.some(({ id }) => id === pending.copy);
  const adopted = live.revision === revision.number;

  useEffect(() => {
    if (!saved || !pending) return;
    if (!adopted) {
      void tell({ report: 'adopt', seen: [], asOnPaper: [] });
      return;
    }
    const feeds = Object.fromEntries(
      document.devices.flatMap((device) => device.groups.map((group) => [sheetKey(device.id, group.id), group.feed])),
    );
    void tell({ report: 'begin', aim: besideAim(live, feeds, pending) }).then((taken) => {
      setPending(undefined);
      if (taken) onBegun();
    });
  }, [saved, adopted, pending, document, live, tell, onBegun]);

  const begin = (line: string, { to, group, feed }: Way) => {
    if (!to) return;
    const { document: placed, copy } = besideLine(document, line, to, feed);
    change(placed);
    setPending({ line, copy, key: group, feed });
  };
  return { begin, busy: pending !== undefined };
}

/** The second line is set up, the first one stays plugged and is muted. */
function besideAim({ rig, session }: Switching['live'], feeds: Aim['feeds'], { line, copy, key, feed }: Pending): Aim {
  const aim = aimFor('change-over', rig, session.state, feeds, [copy]);
  return {
    ...aim,
    feeds: { ...aim.feeds, ...(key !== undefined && { [key]: feed }) },
    open: aim.open.filter((id) => id !== line),
  };
}
