import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadMeasurements, removeMeasurement } from '@/store/noise';
import { removeSound } from '@/store/sounds';
import { handled, notFound, sameOrigin } from '../../../../handled';
import { numbered } from '../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; measurement: string }> };

/** Takes a measurement out of those that are kept; the log keeps its line about it. */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id, measurement } = await params;
    const number = numbered(measurement, 'measurement');
    if (!removeMeasurement(theStore(), id, number)) throw notFound(`measurement ${measurement}`);
    await removeSound(theStore(), number);
    return NextResponse.json({ measurements: loadMeasurements(theStore(), id) });
  });
