import type { NextRequest } from 'next/server';
import { sheetClock } from '@/store/clock';
import { theStore } from '@/store/database';
import { hasRig } from '@/store/rigs';
import { keptSwitching } from '@/store/switching';
import { handled, notFound } from '../../../../handled';
import { sheetEvents } from '../../../../sheetEvents';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** Server-sent events: the sheet of a rig whenever it has gone on, and at once for whoever has not seen its version. */
export const GET = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    const store = theStore();
    if (!hasRig(store, id)) throw notFound(`rig ${id}`);
    const seen = Number(request.nextUrl.searchParams.get('version') ?? -1);
    return sheetEvents(request, (changed) => {
      if (changed[id] === undefined || changed[id] === seen) return undefined;
      const kept = keptSwitching(store, id);
      return kept && { ...kept, now: sheetClock(store) };
    });
  });
