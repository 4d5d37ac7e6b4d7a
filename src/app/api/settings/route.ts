import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { CONVENTION_NAMES, CONVENTIONS, type Conventions } from '@/core/units/conventions';
import { loadConventions, saveConventions } from '@/store/conventions';
import { theStore } from '@/store/database';
import { handled, validBody } from '../handled';

export const dynamic = 'force-dynamic';

const state = () => NextResponse.json(loadConventions(theStore()));

/** How figures and words are written: lengths, mains, the word for ground, clock, decimals. */
export const GET = () => handled(state);

const change = Joi.object<Partial<Conventions>>(
  Object.fromEntries(
    CONVENTION_NAMES.map((name) => [name, Joi.valid(...CONVENTIONS[name].options.map(({ value }) => value))]),
  ),
).min(1);

const CHOICES = CONVENTION_NAMES.map(
  (name) => `"${name}": ${CONVENTIONS[name].options.map(({ value }) => `"${value}"`).join(' or ')}`,
).join(', ');

/** Sets some of it, for everybody who uses this database. */
export const PUT = (request: NextRequest) =>
  handled(async () => {
    const wanted = await validBody(request, change, `{ ${CHOICES} }, any of them`);
    saveConventions(theStore(), { ...loadConventions(theStore()), ...wanted });
    return state();
  });
