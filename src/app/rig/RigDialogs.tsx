'use client';

import { NotLoaded, OnItsWay } from '@/ui/shell/Late';
import { useLate, useOpened } from '@/ui/shell/useLate';
import type { RigDialogsProps } from './OpenDialogs';

const load = () => import('./OpenDialogs').then((file) => file.OpenDialogs);

/** Fetches `OpenDialogs` once opening the page is over, or when one is wanted: later they open without a server too. */
export function RigDialogs(props: RigDialogsProps) {
  const { open, closeDialog } = props.actions;
  const opened = useOpened();
  const { loaded: Dialogs, failed } = useLate(load, open ? 'now' : opened ? 'ahead' : 'not yet');
  if (Dialogs) return <Dialogs {...props} />;
  if (!open) return null;
  return failed ? <NotLoaded onClose={closeDialog} /> : <OnItsWay onClose={closeDialog} />;
}
