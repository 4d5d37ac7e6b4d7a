import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { keepAudio, loadAudio } from '@/store/noise';
import { bytesBody, door, notFound, Refused, sameOrigin } from '../../../../../door';
import { numbered } from '../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; measurement: string }> };

/** Most sound that is kept of one measurement, in bytes. */
const MOST = 64 * 1024 * 1024;

/** The sound of a measurement, where it was kept. */
export const GET = (_request: NextRequest, { params }: Context) =>
  door(async () => {
    const { id, measurement } = await params;
    const audio = loadAudio(theStore(), id, numbered(measurement, 'measurement'));
    if (!audio) throw notFound(`sound kept with measurement ${measurement}`);
    return new NextResponse(new Uint8Array(audio), {
      headers: {
        'content-type': 'audio/wav',
        'content-disposition': `attachment; filename="${id}-${measurement}.wav"`,
      },
    });
  });

/** Keeps the sound of a measurement, as WAV. */
export const PUT = (request: NextRequest, { params }: Context) =>
  door(async () => {
    sameOrigin(request);
    const { id, measurement } = await params;
    if (!/^audio\/(x-)?wav\b/.test(request.headers.get('content-type') ?? ''))
      throw new Refused(415, 'not-sound', 'Send the body as audio/wav.');
    const bytes = await bytesBody(request, MOST);
    if (!keepAudio(theStore(), id, numbered(measurement, 'measurement'), bytes))
      throw notFound(`measurement ${measurement}`);
    return NextResponse.json({ bytes: bytes.length });
  });
