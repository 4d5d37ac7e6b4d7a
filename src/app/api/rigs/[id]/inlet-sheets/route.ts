import { NextResponse, type NextRequest } from 'next/server';
import { inletSheetShape } from '@/core/testing';
import { theStore } from '@/store/database';
import { keepInletSheet, loadInletSheets } from '@/store/testing';
import { handled, jsonBody, notFound, sameOrigin } from '../../../handled';
import { valid } from '../../../valid';
import { rigIn } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** What inlets of the rig's devices gave, newest first. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    rigIn(id);
    return NextResponse.json({ sheets: loadInletSheets(theStore(), id) });
  });

/** Keeps what was read at the inlets of a device of the rig. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    const { devices } = rigIn(id);
    const body = valid(inletSheetShape, await jsonBody(request));
    const device = devices.find((each) => each.id === body.device);
    if (!device) throw notFound(`device ${body.device} in this rig`);
    const stranger = body.readings.find(({ inlet }) => device.inlets.every((each) => each.id !== inlet));
    if (stranger) throw notFound(`inlet ${stranger.inlet} of ${body.device}`);
    return NextResponse.json(keepInletSheet(theStore(), id, new Date().toISOString(), body), { status: 201 });
  });
