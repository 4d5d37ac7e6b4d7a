import { NextResponse, type NextRequest } from 'next/server';
import { sheetClock } from '@/store/clock';
import { theStore } from '@/store/database';
import { loadSwitching, reportSwitching } from '@/store/switching';
import { followed } from '@/threads/sheets';
import { handled, jsonBody, notFound, sameOrigin } from '../../../handled';
import { readTold } from './report.schema';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** How far the run sheet of a rig has come, with the server's clock. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    await followed(theStore(), id);
    const found = loadSwitching(theStore(), id);
    if (!found) throw notFound(`rig ${id}`);
    return NextResponse.json({ ...found, now: sheetClock(theStore()) });
  });

/** Reports something about the version of the sheet that the sender has seen. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    const store = theStore();
    const told = readTold(await jsonBody(request));
    await followed(store, id, told.report);
    const next = reportSwitching(store, id, told, Date.now(), sheetClock(store));
    if (!next) throw notFound(`rig ${id}`);
    return NextResponse.json({ ...next, now: sheetClock(store) });
  });
