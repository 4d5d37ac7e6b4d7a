import { NextResponse, type NextRequest } from 'next/server';
import { huntView } from '@/core/noise/hunt';
import { huntChangeSchema } from '@/core/noise/noise.schema';
import { stepText } from '@/core/noise/told';
import { theStore } from '@/store/database';
import { changeHunt, loadHunt } from '@/store/noise';
import { handled, jsonBody, notFound, sameOrigin } from '../../../../handled';
import { Refused } from '@/store/refused';
import { numbered, valid } from '../../../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; hunt: string }> };

/** A hunt with what to measure next and what is known so far. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, hunt } = await params;
    const saved = loadHunt(theStore(), id, numbered(hunt, 'hunt'));
    if (!saved) throw notFound(`hunt ${hunt}`);
    return NextResponse.json({ ...saved, view: huntView(saved.hunt) });
  });

/** Adds a measurement to a hunt, or takes the last one back; about the version that the sender has seen. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id, hunt } = await params;
    const number = numbered(hunt, 'hunt');
    const { version, who, step } = valid(huntChangeSchema, await jsonBody(request));
    const before = loadHunt(theStore(), id, number);
    if (!before) throw notFound(`hunt ${hunt}`);
    const stranger = step?.on.find((unit) => !before.hunt.suspects.some((suspect) => suspect.id === unit));
    if (stranger)
      throw new Refused(400, 'bad-request', `"step.on" names ${stranger}, which is no suspect of this hunt`);
    const at = new Date().toISOString();
    const change = step ? { step: { ...step, at } } : ({ undo: true } as const);
    const text = step ? stepText(before.hunt, step) : 'The last measurement of the hunt was taken back';
    const next = changeHunt(theStore(), id, number, version, change, { at, who, text });
    return NextResponse.json(next);
  });
