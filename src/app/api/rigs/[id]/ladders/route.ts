import { NextResponse, type NextRequest } from 'next/server';
import { ladderKind, ladderRefusal, ladderResult } from '@/core/noise/ladder';
import { ladderSchema } from '@/core/noise/noise.schema';
import { rigPath } from '@/core/rig';
import { theStore } from '@/store/database';
import { keepLadder, loadLadders } from '@/store/noise';
import { handled } from '../../../handled';
import { Refused } from '@/store/refused';
import { aboutLine, rigIn } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** The ladders of a rig, oldest first. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    rigIn(id);
    return NextResponse.json({ ladders: loadLadders(theStore(), id) });
  });

/** Keeps a ladder; one whose readings cannot be taken apart is refused with the reason. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, body: ladder } = await aboutLine(request, params, ladderSchema);
    const path = rigPath(rigIn(id), ladder.line);
    const fits = path && ladderKind(path.line);
    if (fits && fits !== ladder.kind)
      throw new Refused(400, 'impossible-ladder', `This line has the ${fits} ladder, not the ${ladder.kind} one.`);
    const refused = ladderRefusal(ladder.kind, ladder.readings);
    if (refused) throw new Refused(400, 'impossible-ladder', refused);
    const { text } = ladderResult(ladder.kind, ladder.readings);
    keepLadder(theStore(), id, { ...ladder, at: new Date().toISOString() }, `Ladder: ${text}`);
    return NextResponse.json({ ladders: loadLadders(theStore(), id) }, { status: 201 });
  });
