import Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { ENTRY_KINDS, exposures, filtered, logCsv, logJson, type LogFilter } from '@/core/log';
import type { RigDocument } from '@/core/rig';
import { theStore } from '@/store/database';
import { addEntries, loadLog } from '@/store/log';
import { loadRig } from '@/store/rigs';
import { door, download, jsonBody, notFound, Refused, sameOrigin } from '../../../door';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

const day = Joi.string().isoDate().length(10);
const query = Joi.object({
  as: Joi.valid('csv', 'json'),
  kinds: Joi.string(),
  line: Joi.string().max(200),
  from: day,
  to: day,
  text: Joi.string().max(200).allow(''),
});

const note = Joi.object({
  who: Joi.string().trim().max(60).allow('').default(''),
  text: Joi.string().trim().min(1).max(2000).required(),
  lines: Joi.array().items(Joi.string().max(200)).max(512).default([]),
});

function filterOf(request: NextRequest): LogFilter & { as?: 'csv' | 'json' } {
  const { error, value } = query.validate(Object.fromEntries(request.nextUrl.searchParams));
  if (error)
    throw new Refused(400, 'bad-request', `${error.message}; as is csv or json, from and to are dates like 2026-11-25`);
  const { kinds, ...rest } = value;
  const list = kinds?.split(',') ?? [];
  const unknown = list.find((kind: string) => !(kind in ENTRY_KINDS));
  if (unknown)
    throw new Refused(
      400,
      'bad-request',
      `"kinds" knows no ${unknown}; they are ${Object.keys(ENTRY_KINDS).join(', ')}`,
    );
  return { ...rest, kinds: list };
}

const nameIn =
  ({ lines }: RigDocument) =>
  (line: string) =>
    lines.find(({ id }) => id === line)?.name ?? line;

/** The log of a rig with the exposure record of its sources, as JSON or as a file. */
export const GET = (request: NextRequest, { params }: Context) =>
  door(async () => {
    const { id } = await params;
    const { as, ...filter } = filterOf(request);
    const saved = loadRig(theStore(), id);
    if (!saved) throw notFound(`rig ${id}`);
    const entries = loadLog(theStore(), id);
    const wanted = filtered(entries, filter);
    const nameOf = nameIn(saved.document);
    if (as === 'csv') return download(logCsv(wanted, nameOf), 'text/csv', `${id}-log.csv`);
    const record = exposures(entries, new Date().toISOString()).filter(
      ({ line }) => !filter.line || filter.line === line,
    );
    if (as === 'json')
      return download(logJson(saved.document.name, wanted, record, nameOf), 'application/json', `${id}-log.json`);
    return NextResponse.json({ entries: wanted, exposures: record });
  });

/** Writes a note down. */
export const POST = (request: NextRequest, { params }: Context) =>
  door(async () => {
    sameOrigin(request);
    const { id } = await params;
    const { error, value } = note.validate(await jsonBody(request), { convert: true });
    if (error) throw new Refused(400, 'bad-request', `${error.message}; send { "who": NAME, "text": TEXT }`);
    const store = theStore();
    if (!loadRig(store, id)) throw notFound(`rig ${id}`);
    const { who, text, lines } = value;
    addEntries(store, id, { at: new Date().toISOString(), who }, [{ kind: 'note', text, lines }]);
    return NextResponse.json({ entries: loadLog(store, id) }, { status: 201 });
  });
