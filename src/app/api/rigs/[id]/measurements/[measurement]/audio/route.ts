import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { keepSound, loadSound } from '@/store/sounds';
import { handled, notFound, ownHost, sameOrigin } from '../../../../../handled';
import { Refused } from '@/store/refused';
import { numbered } from '../../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; measurement: string }> };

/** The sound of a measurement, where it was kept. It passes by the proxy: what that looks at is looked at here. */
export const GET = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    ownHost(request);
    const { id, measurement } = await params;
    const sound = loadSound(theStore(), id, numbered(measurement, 'measurement'));
    if (!sound) throw notFound(`sound kept with measurement ${measurement}`);
    return new NextResponse(sound.stream(), {
      headers: {
        'content-type': 'audio/wav',
        'content-length': String(sound.bytes),
        'content-disposition': `attachment; filename="${id}-${measurement}.wav"`,
        'x-content-type-options': 'nosniff',
      },
    });
  });

/** Keeps the sound of a measurement, as WAV, while it comes in. */
export const PUT = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    ownHost(request);
    sameOrigin(request);
    const { id, measurement } = await params;
    if (!/^audio\/(x-)?wav\b/.test(request.headers.get('content-type') ?? ''))
      throw new Refused(415, 'not-sound', 'Send the body as audio/wav.');
    const number = numbered(measurement, 'measurement');
    const bytes = await keepSound(theStore(), id, number, pieces(request.body), stated(request));
    if (bytes === undefined) throw notFound(`measurement ${measurement}`);
    return NextResponse.json({ bytes });
  });

/** Bytes that a request says it has; undefined where it does not say. */
function stated(request: NextRequest): number | undefined {
  const length = request.headers.get('content-length');
  return length !== null && /^\d+$/.test(length) ? Number(length) : undefined;
}

async function* pieces(body: ReadableStream<Uint8Array> | null): AsyncGenerator<Uint8Array> {
  const reader = body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) yield part.value;
}
