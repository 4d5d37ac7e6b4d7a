import type { NextRequest } from 'next/server';
import { handled } from '../handled';
import { sheetEvents } from '../sheetEvents';

export const dynamic = 'force-dynamic';

/** The versions of all sheets, and of each that goes on from then: one stream does for every tab of a browser. */
export const GET = (request: NextRequest) => handled(() => sheetEvents(request, (changed) => changed));
