import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadSavedItem, removeItem, saveItem, type SavedItem } from '@/store/kit';
import { basedOn, handled, jsonBody, notFound, sameOrigin } from '../../handled';

type Context = { params: Promise<{ item: string }> };

export const dynamic = 'force-dynamic';

const answer = ({ item, revision }: SavedItem) => NextResponse.json(item, { headers: { etag: `"${revision}"` } });

export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { item: id } = await params;
    const saved = loadSavedItem(theStore(), id);
    if (!saved) throw notFound(`kit item ${id}`);
    return answer(saved);
  });

export const PUT = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { item } = await params;
    return answer(saveItem(theStore(), item, await jsonBody(request), basedOn(request)));
  });

export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { item: id } = await params;
    if (!removeItem(theStore(), id, basedOn(request))) throw notFound(`kit item ${id}`);
    return NextResponse.json({ id });
  });
