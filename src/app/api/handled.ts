import type Joi from 'joi';
import { NextResponse, type NextRequest } from 'next/server';
import { CsvError } from '@/core/tables/csv';
import { DocumentError, MOST_BYTES } from '@/core/rig';
import { WavError } from '@/core/signal';
import { ReportRefused } from '@/core/runsheet';
import { ObservationError } from '@/core/testing';
import { FOREIGN_HOST, isOwnHost } from './hosts';
import type { BasedOn } from '@/store/kit';
import { Refused } from '@/store/refused';
import { databasePath } from '@/store/database';
import { sentenceOf, troubleOf } from '@/store/trouble';

const error = (status: number, code: string, message: string, more: object = {}) =>
  NextResponse.json({ error: { code, message, ...more } }, { status });

/** Runs a handler and turns whatever goes wrong into an answer without insides. What is answered is kept by nobody. */
export async function handled(handler: () => Promise<NextResponse> | NextResponse): Promise<NextResponse> {
  const answer = await answered(handler);
  if (!answer.headers.has('cache-control')) answer.headers.set('cache-control', 'no-store');
  return answer;
}

async function answered(handler: () => Promise<NextResponse> | NextResponse): Promise<NextResponse> {
  try {
    return await handler();
  } catch (problem) {
    if (problem instanceof Refused) return refusal(problem);
    if (problem instanceof DocumentError) {
      const [{ path, message }] = problem.refusals;
      return error(400, 'bad-document', message, { path, all: problem.refusals });
    }
    if (problem instanceof CsvError)
      return error(400, 'bad-table', problem.message, problem.line ? { path: `line ${problem.line}` } : {});
    if (problem instanceof ObservationError)
      return error(400, 'bad-observation', problem.message, { path: problem.path });
    if (problem instanceof WavError) return error(415, 'not-sound', problem.message);
    if (problem instanceof ReportRefused) return error(409, 'refused', problem.message);
    const trouble = troubleOf(problem, databasePath());
    if (trouble) {
      console.error(trouble.message);
      return error(trouble.trouble === 'full' ? 507 : 503, `database-${trouble.trouble}`, sentenceOf(trouble));
    }
    console.error(problem);
    return error(500, 'internal', 'Server error. Nothing was changed; details are in the server log.');
  }
}

function refusal({ status, code, message, details, retryAfter }: Refused): NextResponse {
  const answer = error(status, code, message, details);
  if (retryAfter !== undefined) answer.headers.set('retry-after', String(retryAfter));
  return answer;
}

/** Refuses requests that call this server by a name that is not its own. */
export function ownHost(request: NextRequest): void {
  if (!isOwnHost(request.headers.get('host'))) throw new Refused(421, 'other-host', FOREIGN_HOST);
}

/** Refuses requests that a page from elsewhere sent through the user's browser. */
export function sameOrigin(request: NextRequest): void {
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const foreign = (origin !== null && URL.parse(origin)?.host !== request.headers.get('host')) || site === 'cross-site';
  if (foreign)
    throw new Refused(
      403,
      'other-origin',
      'Requests from other sites are blocked. Use Inlet Check, or send no Origin header.',
    );
}

/** The JSON body of a request, 1 MiB at most. */
export async function jsonBody(request: NextRequest): Promise<unknown> {
  if (!/^application\/([\w.]+\+)?json\b/i.test(request.headers.get('content-type') ?? ''))
    throw new Refused(415, 'not-json', 'Send the body as application/json.');
  const text = await limitedText(request);
  const body = parsed(text);
  if (isDeeper(body, DEEPEST))
    throw new Refused(400, 'too-deep', `The body is nested more than ${DEEPEST} deep; no format here is.`);
  return body;
}

/** The JSON body of a request of this application's own pages, as it should be. @param send what to send, for whoever did not */
export async function validBody<T>(request: NextRequest, schema: Joi.ObjectSchema<T>, send: string): Promise<T> {
  sameOrigin(request);
  const { error: wrong, value } = schema.validate(await jsonBody(request), { convert: false });
  if (wrong) throw new Refused(400, 'bad-request', `${wrong.message}; send ${send}`);
  return value as T;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (problem) {
    throw new Refused(400, 'not-json', `The body is not JSON: ${(problem as Error).message}`);
  }
}

/** Lists and objects within each other, at most. */
const DEEPEST = 64;

/** Whether something is nested deeper than so many levels; found level by level, so that no depth is too much. */
function isDeeper(value: unknown, most: number): boolean {
  let level = [value];
  for (let depth = 0; depth <= most; depth++) {
    level = level.flatMap((each) => (typeof each === 'object' && each !== null ? Object.values(each) : []));
    if (level.length === 0) return false;
  }
  return true;
}

async function limitedText(request: NextRequest): Promise<string> {
  const tooLarge = () =>
    new Refused(
      413,
      'too-large',
      `The body is larger than ${MOST_BYTES / 1024 / 1024} MiB; send fewer lines at a time.`,
    );
  if (Number(request.headers.get('content-length')) > MOST_BYTES) throw tooLarge();
  return (await bytesUpTo(request, MOST_BYTES, tooLarge)).toString('utf8');
}

/** The bytes of a picture. @param most of them */
export async function photoBody(request: NextRequest, most: number): Promise<Uint8Array> {
  const tooLarge = () =>
    new Refused(413, 'too-large', `The photo is larger than ${most / 1024 / 1024} MiB; make it smaller.`);
  if (Number(request.headers.get('content-length')) > most) throw tooLarge();
  return bytesUpTo(request, most, tooLarge);
}

async function bytesUpTo(request: NextRequest, most: number, tooLarge: () => Refused): Promise<Buffer> {
  const chunks: Uint8Array[] = [];
  let bytes = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
    bytes += part.value.byteLength;
    if (bytes > most) throw tooLarge();
    chunks.push(part.value);
  }
  return Buffer.concat(chunks);
}

/** A body of comma- or semicolon-separated text. */
export async function tableBody(request: NextRequest): Promise<string> {
  if (!/^text\/(csv|plain)\b/i.test(request.headers.get('content-type') ?? ''))
    throw new Refused(415, 'not-a-table', 'Send the body as text/csv.');
  return limitedText(request);
}

/** The revision that a table is to be put into, by `?apply=REVISION`; undefined where it is only looked at. */
export function applied({ nextUrl }: NextRequest): number | undefined {
  const apply = nextUrl.searchParams.get('apply');
  if (apply === null) return undefined;
  if (!/^[1-9]\d{0,8}$/.test(apply))
    throw new Refused(400, 'bad-request', 'apply takes the number of the revision that was previewed.');
  return Number(apply);
}

/** A text as a file to keep. */
export const download = (text: string, type: string, name: string): NextResponse =>
  new NextResponse(text, {
    headers: {
      'content-type': `${type}; charset=utf-8`,
      // Letters beyond ASCII as RFC 6266 has them, section 4.3, with a plain name for whoever does not know that.
      'content-disposition': `attachment; filename="${name.replaceAll(/[^\x20-\x7e]/g, '_')}"; filename*=UTF-8''${encodeURIComponent(name)}`,
    },
  });

export const notFound = (what: string) => new Refused(404, 'not-found', `There is no ${what}.`);

/** What a change says it was made to, by If-Match and If-None-Match (RFC 9110, 13.1). */
export function basedOn({ headers }: NextRequest): BasedOn {
  if (headers.get('if-none-match')?.trim() === '*') return 'new';
  const match = headers.get('if-match')?.trim();
  if (match === undefined || match === '*') return 'any';
  const revision = /^"(\d{1,15})"$/.exec(match)?.[1];
  if (revision === undefined)
    throw new Refused(400, 'bad-request', 'If-Match must be the ETag of an earlier answer, such as "12".');
  return Number(revision);
}
