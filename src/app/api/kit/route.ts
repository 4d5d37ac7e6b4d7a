import { NextResponse, type NextRequest } from 'next/server';
import { kitDocument } from '@/core/kit';
import { kitCsv, readKitCsv } from '@/core/tables';
import { theStore } from '@/store/database';
import { importKit, loadKit } from '@/store/kit';
import { handled, download, jsonBody, sameOrigin, tableBody } from '../handled';
import { Refused } from '@/store/refused';

export const dynamic = 'force-dynamic';

/** The kit as JSON, or as a table with `?format=csv`. */
export const GET = (request: NextRequest) =>
  handled(() => {
    const items = loadKit(theStore());
    return request.nextUrl.searchParams.get('format') === 'csv'
      ? download(kitCsv(items), 'text/csv', 'kit.csv')
      : NextResponse.json(kitDocument(items));
  });

/** Takes a kit in: JSON at once; a table is previewed row by row, and taken over with `?apply=1`. */
export const POST = (request: NextRequest) =>
  handled(async () => {
    sameOrigin(request);
    const store = theStore();
    if (!/^text\//i.test(request.headers.get('content-type') ?? ''))
      return NextResponse.json(importKit(store, await jsonBody(request)));
    const { rows, items } = readKitCsv(loadKit(store), await tableBody(request));
    const apply = request.nextUrl.searchParams.get('apply');
    if (apply !== null && apply !== '1')
      throw new Refused(400, 'bad-request', 'apply=1 takes the table over; without it the rows are only previewed.');
    const applied = apply === '1';
    if (applied) importKit(store, kitDocument(items));
    return NextResponse.json({ rows, applied });
  });
