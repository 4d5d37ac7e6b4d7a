import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { hasRig, stepRig } from '@/store/rigs';
import { handled, notFound, validBody } from '../../../handled';
import { Refused } from '@/store/refused';

type Context = { params: Promise<{ id: string }> };

const step = Joi.object<{ basedOn: number; way: 'undo' | 'redo' }>({
  basedOn: Joi.number().integer().min(1).required(),
  way: Joi.valid('undo', 'redo').required(),
});

/** Undoes the last change of a rig, or does again what was undone; each is a revision of its own. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    const { basedOn, way } = await validBody(request, step, '{ "basedOn": REVISION, "way": "undo" or "redo" }');
    if (!hasRig(theStore(), id)) throw notFound(`rig ${id}`);
    const saved = stepRig(theStore(), id, basedOn, way);
    if (!saved) throw new Refused(409, 'nothing-there', `There is nothing to ${way}.`);
    return NextResponse.json(saved);
  });
