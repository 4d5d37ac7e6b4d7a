import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadMeasurement, loadMeasurements, removeMeasurement } from '@/store/noise';
import { removeSound } from '@/store/sounds';
import { handled, notFound, sameOrigin } from '../../../../handled';
import { numbered } from '../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; measurement: string }> };

/** All that was kept of a measurement, but for its sound. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, measurement } = await params;
    const found = loadMeasurement(theStore(), id, numbered(measurement, 'measurement'));
    if (!found) throw notFound(`measurement ${measurement}`);
    return NextResponse.json({ measurement: found });
  });

/**
 * Takes a measurement out of those that are kept, and hands it over with those that its line still has; the log
 * keeps its line about it.
 */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id, measurement } = await params;
    const number = numbered(measurement, 'measurement');
    const removed = removeMeasurement(theStore(), id, number);
    if (!removed) throw notFound(`measurement ${measurement}`);
    await removeSound(theStore(), number);
    return NextResponse.json({ removed, measurements: loadMeasurements(theStore(), id, removed.line) });
  });
