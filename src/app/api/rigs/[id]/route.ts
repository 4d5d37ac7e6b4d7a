import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { ownTurn } from '@/app/turns';
import { theStore } from '@/store/database';
import { removeRig, rigToSend, saveRig } from '@/store/rigs';
import { handled, notFound, sameOrigin, validBody } from '../../handled';

type Context = { params: Promise<{ id: string }> };

const change = Joi.object<{ basedOn: number; document: object }>({
  basedOn: Joi.number().integer().min(1).required(),
  document: Joi.object().required(),
});

export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    await ownTurn();
    const rig = rigToSend(theStore(), id);
    if (rig === undefined) throw notFound(`rig ${id}`);
    return new NextResponse(rig, { headers: { 'content-type': 'application/json' } });
  });

/** Saves a change that was made to revision `basedOn`. */
export const PUT = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    const { basedOn, document } = await validBody(request, change, '{ "basedOn": REVISION, "document": { … } }');
    const saved = saveRig(theStore(), id, basedOn, document);
    if (!saved) throw notFound(`rig ${id}`);
    return NextResponse.json({ id, revision: saved.revision, savedAt: saved.savedAt, steps: saved.steps });
  });

/** Takes a rig off the list; its revisions stay in the database. */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    if (!removeRig(theStore(), id)) throw notFound(`rig ${id}`);
    return NextResponse.json({ id });
  });
