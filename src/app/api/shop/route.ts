import { NextResponse, type NextRequest } from 'next/server';
import { shopSchema } from '@/core/kit/shop.schema';
import { theStore } from '@/store/database';
import { loadHunt } from '@/store/noise';
import { beginShop, loadShop } from '@/store/shop';
import { handled, jsonBody, notFound, sameOrigin } from '../handled';
import { rigIn } from '../rigs/[id]/measurements/valid';
import { valid } from '../valid';

export const dynamic = 'force-dynamic';

/** Records of the repair shop, newest first; with `?item=ID` those of one item of the kit. */
export const GET = (request: NextRequest) =>
  handled(async () =>
    NextResponse.json({ records: loadShop(theStore(), request.nextUrl.searchParams.get('item') ?? undefined) }),
  );

/** Begins a record: of a suspect that a hunt found, or of any unit of a rig. The record that a suspect already has is answered. */
export const POST = (request: NextRequest) =>
  handled(async () => {
    sameOrigin(request);
    const { rig, hunt, suspect, ...said } = valid(shopSchema, await jsonBody(request));
    const { name } = rigIn(rig);
    const saved = hunt === undefined ? undefined : loadHunt(theStore(), rig, hunt);
    if (hunt !== undefined && !saved) throw notFound(`hunt ${hunt}`);
    if (saved && !saved.hunt.suspects.some(({ id }) => id === suspect))
      throw notFound(`suspect ${suspect} in this hunt`);
    const record = {
      ...said,
      rig: { id: rig, name },
      ...(saved && { hunt: { id: saved.id, suspect: suspect!, line: saved.hunt.line } }),
    };
    return NextResponse.json(beginShop(theStore(), record, new Date().toISOString(), ''), { status: 201 });
  });
