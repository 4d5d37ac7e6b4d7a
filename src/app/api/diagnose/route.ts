import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { DocumentError } from '@/core/rig';
import { CABLE_CONNECTORS, priorsShape } from '@/core/testing';
import { heavily } from '@/threads/pool';
import { Refused } from '@/store/refused';
import { handled, jsonBody, sameOrigin } from '../handled';
import { valid } from '../valid';

/** A line of a rig, or a cable by its connector; and what was seen of it. */
const asked = Joi.object({
  rig: Joi.object(),
  line: Joi.string().max(200),
  cable: Joi.valid(...CABLE_CONNECTORS),
  observations: Joi.array().default([]),
  priors: priorsShape,
})
  .xor('rig', 'cable')
  .with('rig', 'line');

/** What is wrong with a line or a cable, by what was seen of it, and what to look at next. */
export const POST = (request: NextRequest) =>
  handled(async () => {
    sameOrigin(request);
    const given = valid(asked, await jsonBody(request));
    const found = await heavily('diagnosed', given, request.signal);
    if ('refusals' in found) throw new DocumentError(found.refusals);
    if ('missing' in found) throw new Refused(404, 'no-line', found.missing);
    if ('observation' in found) {
      const { path, message } = found.observation;
      throw new Refused(400, 'bad-observation', `${path}: ${message}`, { path });
    }
    return new NextResponse(found.json, { headers: { 'content-type': 'application/json' } });
  });
