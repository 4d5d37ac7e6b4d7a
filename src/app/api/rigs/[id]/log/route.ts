import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { ENTRY_KINDS, exposures, filtered, type LogFilter } from '@/core/log';
import { logCsv, logJson } from '@/core/tables';
import type { RigDocument } from '@/core/rig';
import { fileName } from '@/core/tables/fileName';
import { theStore } from '@/store/database';
import { addEntries, loadFed, loadLog, loadLogPage, logState, type Mark } from '@/store/log';
import { hasRig, loadRig } from '@/store/rigs';
import { handled, download, jsonBody, notFound, sameOrigin } from '../../../handled';
import { Refused } from '@/store/refused';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** How many entries are answered at a time, and at most. */
const PAGE = 200;
const MOST = 1000;

const day = Joi.string().isoDate().length(10);
const query = Joi.object({
  as: Joi.valid('csv', 'json'),
  kinds: Joi.string(),
  line: Joi.string().max(200),
  from: day,
  to: day,
  text: Joi.string().max(200).allow(''),
  limit: Joi.number().integer().min(1).max(MOST).default(PAGE),
  before: Joi.string().pattern(/^\d{4}-[\d:.TZ-]{6,26},-?\d{1,12}$/, 'the mark of an entry'),
  seen: Joi.string().max(40),
});

const note = Joi.object({
  who: Joi.string().trim().max(60).allow('').default(''),
  text: Joi.string().trim().min(1).max(2000).required(),
  lines: Joi.array().items(Joi.string().max(200)).max(512).default([]),
});

interface Asked {
  filter: LogFilter;
  as?: 'csv' | 'json';
  limit: number;
  before?: Mark;
  /** The state of the log that the sender has. */
  seen?: string;
}

function askedFor(request: NextRequest): Asked {
  const { error, value } = query.validate(Object.fromEntries(request.nextUrl.searchParams));
  if (error)
    throw new Refused(
      400,
      'bad-request',
      `${error.message}; as is csv or json, from and to are dates like 2026-11-25, before is the next of an answer`,
    );
  const { kinds, as, limit, before, seen, ...rest } = value;
  const list = kinds?.split(',') ?? [];
  const unknown = list.find((kind: string) => !(kind in ENTRY_KINDS));
  if (unknown)
    throw new Refused(
      400,
      'bad-request',
      `"kinds" knows no ${unknown}; they are ${Object.keys(ENTRY_KINDS).join(', ')}`,
    );
  const [at, entry] = before?.split(',') ?? [];
  return { filter: { ...rest, kinds: list }, as, limit, seen, ...(before && { before: { at, id: Number(entry) } }) };
}

const nameIn =
  ({ lines }: RigDocument) =>
  (line: string) =>
    lines.find(({ id }) => id === line)?.name ?? line;

/**
 * The log of a rig, newest first and a page at a time, with the exposure record of its sources; or all of it as a file.
 * With `seen` there is only an answer of substance if something was written since.
 */
export const GET = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    const { filter, as, limit, before, seen } = askedFor(request);
    const store = theStore();
    const saved = loadRig(store, id);
    if (!saved) throw notFound(`rig ${id}`);
    const state = logState(store, id);
    if (seen === state) return NextResponse.json({ state });
    const record = () =>
      exposures(loadFed(store, id), new Date().toISOString()).filter(
        ({ line }) => !filter.line || filter.line === line,
      );
    if (!as) return NextResponse.json({ state, ...loadLogPage(store, id, filter, limit, before), exposures: record() });
    const wanted = filtered(loadLog(store, id), filter);
    const nameOf = nameIn(saved.document);
    return as === 'csv'
      ? download(logCsv(wanted, nameOf), 'text/csv', fileName(`${saved.document.name} log`, 'csv'))
      : download(
          logJson(saved.document.name, wanted, record(), nameOf),
          'application/json',
          fileName(`${saved.document.name} log`, 'json'),
        );
  });

/** Writes a note down. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    const { error, value } = note.validate(await jsonBody(request), { convert: true });
    if (error) throw new Refused(400, 'bad-request', `${error.message}; send { "who": NAME, "text": TEXT }`);
    const store = theStore();
    if (!hasRig(store, id)) throw notFound(`rig ${id}`);
    const { who, text, lines } = value;
    addEntries(store, id, { at: new Date().toISOString(), who }, [{ kind: 'note', text, lines }]);
    return NextResponse.json({ written: true }, { status: 201 });
  });
