import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { hasRig, stepRig } from '@/store/rigs';
import { door, jsonBody, notFound, Refused, sameOrigin } from '../../../door';

type Context = { params: Promise<{ id: string }> };

const step = Joi.object({
  basedOn: Joi.number().integer().min(1).required(),
  way: Joi.valid('undo', 'redo').required(),
});

/** Undoes the last change of a rig, or does again what was undone; each is a revision of its own. */
export const POST = (request: NextRequest, { params }: Context) =>
  door(async () => {
    sameOrigin(request);
    const { id } = await params;
    const { error, value } = step.validate(await jsonBody(request), { convert: false });
    if (error)
      throw new Refused(400, 'bad-request', `${error.message}; send { "basedOn": REVISION, "way": "undo" or "redo" }`);
    if (!hasRig(theStore(), id)) throw notFound(`rig ${id}`);
    const saved = stepRig(theStore(), id, value.basedOn, value.way);
    if (!saved) throw new Refused(409, 'nothing-there', `There is nothing to ${value.way}.`);
    return NextResponse.json(saved);
  });
