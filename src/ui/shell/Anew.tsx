'use client';

import Paper from '@mui/material/Paper';
import { keyframes } from '@mui/material/styles';
import { useRouter } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { ask } from './ask';
import { RETRY } from './queries';
import { retryAfter } from './retry';
import { anew as text } from './texts';

/** Stamps of what this tab has shown and left. */
const left = new Set<string>();

/** Over the foot of the page, where no warning stands; what is there within a moment need not be announced. */
const WAITING = {
  position: 'fixed',
  zIndex: 3,
  bottom: { xs: 76, md: 24 },
  left: '50%',
  translate: '-50%',
  px: 2,
  py: 1,
  animation: `${keyframes`from, to { opacity: 0; }`} 0.4s`,
} as const;

interface Props {
  /** Another one each time the server makes the page. */
  stamp: string;
  children: ReactNode;
}

/**
 * A page as it is now. A browser's way back shows it as the server made it when it was opened: such a page is asked for once
 * more, and the new one takes its place. Until then nothing can be begun on the old one, unless the server is away.
 */
export function Anew({ stamp, children }: Props) {
  const router = useRouter();
  const [of, setOf] = useState({ stamp, key: stamp, again: left.has(stamp) });
  if (of.stamp !== stamp) setOf({ stamp, key: of.again ? stamp : of.key, again: left.has(stamp) });
  const [away, setAway] = useState(false);
  useEffect(() => {
    let stop = () => {};
    let gone = false;
    // Where the server is away, asking the router would leave for the browser's own page about that.
    const refresh = async () => {
      const { failed } = await ask('/api/health');
      if (gone) return;
      setAway(failed !== undefined);
      if (failed === undefined) router.refresh();
      else stop = retryAfter(RETRY, () => void refresh());
    };
    if (left.has(stamp)) void refresh();
    return () => {
      gone = true;
      stop();
      left.add(stamp);
    };
  }, [stamp, router]);
  const waiting = of.again && !away;
  return (
    <>
      {waiting && (
        <Paper role="status" elevation={3} sx={WAITING}>
          {text.updatingThisPage}
        </Paper>
      )}
      <div key={of.key} inert={waiting} style={{ display: 'contents' }}>
        {children}
      </div>
    </>
  );
}
