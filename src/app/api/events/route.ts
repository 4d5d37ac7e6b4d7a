import type { NextRequest } from 'next/server';
import { door } from '../door';
import { sheetEvents } from '../sheetEvents';

export const dynamic = 'force-dynamic';

/** The versions of all sheets, and of each that goes on from then: one stream does for every tab of a browser. */
export const GET = (request: NextRequest) => door(() => sheetEvents(request, (changed) => changed));
