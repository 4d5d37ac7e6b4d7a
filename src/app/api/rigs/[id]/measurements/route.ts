import { NextResponse, type NextRequest } from 'next/server';
import { measurementSchema } from '@/core/noise/noise.schema';
import { measuredText } from '@/core/noise/told';
import { theStore } from '@/store/database';
import { keepMeasurement, loadMeasurements } from '@/store/noise';
import { handled } from '../../../handled';
import { Refused } from '@/store/refused';
import { aboutLine, rigIn } from './valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/**
 * What was measured on a rig, or with `?line=` on one of its lines, oldest first: the figures; spectrum and course of one
 * stand behind its number.
 */
export const GET = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    rigIn(id);
    const line = request.nextUrl.searchParams.get('line') ?? undefined;
    return NextResponse.json({ measurements: loadMeasurements(theStore(), id, line) });
  });

/** Keeps the figures of a measurement. Answers with all of its line. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, body: kept } = await aboutLine(request, params, measurementSchema);
    if (!kept.measurement.reading.usable)
      throw new Refused(400, 'no-floor', 'This recording is no noise floor and is not kept as one; record it again.');
    const now = new Date().toISOString();
    // What is put back was made when it was made; nothing was made after now.
    const at = kept.at && new Date(kept.at).toISOString();
    const text = at ? `Put back: ${measuredText(kept)}` : measuredText(kept);
    const made = keepMeasurement(theStore(), id, { ...kept, at: at && at < now ? at : now }, text, now);
    return NextResponse.json({ id: made, measurements: loadMeasurements(theStore(), id, kept.line) }, { status: 201 });
  });
