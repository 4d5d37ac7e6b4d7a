import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import type { Answer } from '@/core/kit';
import { theStore } from '@/store/database';
import { recordAnswer } from '@/store/kit';
import { handled, jsonBody, notFound, sameOrigin } from '../../../handled';
import { Refused } from '@/store/refused';

type Context = { params: Promise<{ item: string }> };

const name = Joi.string().max(40);
const request = Joi.object({
  answer: Joi.object({ fact: Joi.object().required(), figure: name, choice: name, value: Joi.any().required() })
    .xor('figure', 'choice')
    .required(),
  except: Joi.string().max(80),
});

/** Records who answered what about an item; every rig that uses it gets a new revision. */
export const POST = (asked: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(asked);
    const { item: id } = await params;
    const { error, value } = request.validate(await jsonBody(asked), { convert: false });
    if (error)
      throw new Refused(
        400,
        'bad-request',
        `${error.message}; send { "answer": { "fact": { "who", "when" }, "choice" or "figure", "value" } }`,
      );
    const told = recordAnswer(theStore(), id, value.answer as Answer, value.except);
    if (!told) throw notFound(`kit item ${id}`);
    return NextResponse.json(told);
  });
