import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadItem, removeItem, saveItem } from '@/store/kit';
import { door, jsonBody, notFound, sameOrigin } from '../../door';

type Context = { params: Promise<{ item: string }> };

export const dynamic = 'force-dynamic';

export const GET = (_request: NextRequest, { params }: Context) =>
  door(async () => {
    const { item: id } = await params;
    const item = loadItem(theStore(), id);
    if (!item) throw notFound(`kit item ${id}`);
    return NextResponse.json(item);
  });

export const PUT = (request: NextRequest, { params }: Context) =>
  door(async () => {
    sameOrigin(request);
    const { item } = await params;
    return NextResponse.json(saveItem(theStore(), item, await jsonBody(request)));
  });

export const DELETE = (request: NextRequest, { params }: Context) =>
  door(async () => {
    sameOrigin(request);
    const { item: id } = await params;
    if (!removeItem(theStore(), id)) throw notFound(`kit item ${id}`);
    return NextResponse.json({ id });
  });
