import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { CircuitError } from '@/core/circuit';
import { humTones } from '@/core/mains';
import { suspectsOf } from '@/core/noise/hunt';
import { RUNGS, type Rung } from '@/core/noise/ladder';
import { FAULT_NAMES, contactOf, interfaceScene, renderer, type FaultName } from '@/core/noise/simulated';
import { peakTargetOf } from '@/core/schools';
import { rigPath, schoolsOf, SUPPLIES } from '@/core/rig';
import { roomOf } from '@/core/rig/places';
import { wavBody, wavHead } from '@/core/signal/wav/writer';
import { handled, notFound } from '../../../handled';
import { Refused } from '@/store/refused';
import { rigIn } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

const RATE = 48_000;
/** Frames that are rendered at a time. */
const PIECE = RATE / 10;

interface Wanted {
  line: string;
  gain?: number;
  seconds: number;
  seed: string;
  rung: Rung;
  faults: FaultName[];
  /** Units that are on; all of them where it is left out. */
  on?: string[];
  live: boolean;
}

const list = Joi.string().allow('').max(2000);
const query = Joi.object({
  line: Joi.string().max(200).required(),
  gain: Joi.number().min(-60).max(120),
  seconds: Joi.number().min(0.1).max(3600).default(10),
  seed: Joi.string().max(100).default('1'),
  rung: Joi.valid(...Object.keys(RUNGS)).default('as-used'),
  faults: list.default(''),
  on: list,
  live: Joi.boolean().default(false),
});

function wantedOf(request: NextRequest): Wanted {
  const { error, value } = query.validate(Object.fromEntries(request.nextUrl.searchParams));
  if (error) throw new Refused(400, 'bad-request', error.message);
  const split = (text: string) => text.split(',').filter(Boolean);
  const faults = split(value.faults);
  const unknown = faults.find((name) => !FAULT_NAMES.includes(name as FaultName));
  if (unknown)
    throw new Refused(400, 'bad-request', `"faults" knows no ${unknown}; they are ${FAULT_NAMES.join(', ')}`);
  return { ...value, faults, ...(value.on !== undefined && { on: split(value.on) }) };
}

/** What the simulated interface records on a line, as WAV; at the pace of real time where it is live. */
export async function GET(request: NextRequest, { params }: Context): Promise<NextResponse> {
  return handled(async () => {
    const { id } = await params;
    const wanted = wantedOf(request);
    const document = rigIn(id);
    const path = rigPath(document, wanted.line);
    if (!path) throw notFound(`line ${wanted.line} in this rig`);
    const { line, on, faults } = wanted;
    const picked = humTones(document, line, {
      ...(on && { on, known: suspectsOf(document, line).map((suspect) => suspect.id) }),
      contact: contactOf(faults),
    });
    const found = sceneOrRefused(() =>
      interfaceScene(path.line, {
        target: peakTargetOf(schoolsOf(document)),
        room: roomOf(document, wanted.line),
        ...(document.mains?.supply && { mains: SUPPLIES[document.mains.supply].hertz }),
        gain: wanted.gain,
        rung: wanted.rung,
        faults,
        picked,
      }),
    );
    const source = renderer(found.scene, RATE, wanted.seed);
    const frames = Math.round(wanted.seconds * RATE);
    return new NextResponse(streamed(source.next, frames, wanted.live ? PIECE / RATE : 0), {
      headers: {
        'content-type': 'audio/wav',
        'cache-control': 'no-store',
        'x-gain': found.gain.toFixed(2),
        ...(!wanted.live && { 'content-length': String(44 + frames * 3) }),
        'content-disposition': `attachment; filename="${wanted.line}.wav"`,
      },
    });
  });
}

function sceneOrRefused(make: () => ReturnType<typeof interfaceScene>) {
  try {
    const found = make();
    if ('reason' in found) throw new Refused(409, 'silent-line', found.reason);
    return found;
  } catch (problem) {
    if (problem instanceof CircuitError) throw new Refused(409, 'unsolved-line', problem.message);
    throw problem;
  }
}

/** Samples as WAV in pieces. @param pause seconds between them; 0 for as fast as they are taken */
function streamed(next: (frames: number) => Float32Array, frames: number, pause: number): ReadableStream<Uint8Array> {
  let left = frames;
  let begun = 0;
  return new ReadableStream({
    start(controller) {
      controller.enqueue(wavHead(RATE, 1, frames));
      begun = performance.now();
    },
    async pull(controller) {
      const due = begun + ((frames - left) / PIECE) * pause * 1000 - performance.now();
      // Other requests have their turn between two pieces in any case.
      await new Promise((resolve) => setTimeout(resolve, Math.max(0, pause ? due : 0)));
      const count = Math.min(PIECE, left);
      if (count > 0) controller.enqueue(wavBody([next(count)]));
      left -= count;
      if (left === 0) controller.close();
    },
  });
}
