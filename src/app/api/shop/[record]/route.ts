import { NextResponse, type NextRequest } from 'next/server';
import { shopChangeSchema } from '@/core/kit/shop.schema';
import { theStore } from '@/store/database';
import { changeShop, loadShopRecord, removeShop } from '@/store/shop';
import { handled, jsonBody, notFound, sameOrigin } from '../../handled';
import { numbered, valid } from '../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ record: string }> };

export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { record } = await params;
    const saved = loadShopRecord(theStore(), numbered(record, 'record'));
    if (!saved) throw notFound(`record ${record}`);
    return NextResponse.json(saved);
  });

/** Says more of a record: serial number, who was asked, what was done, what was measured again. */
export const PUT = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { record } = await params;
    const { version, ...change } = valid(shopChangeSchema, await jsonBody(request));
    const saved = changeShop(theStore(), numbered(record, 'record'), version, change);
    if (!saved) throw notFound(`record ${record}`);
    return NextResponse.json(saved);
  });

export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { record } = await params;
    if (!removeShop(theStore(), numbered(record, 'record'))) throw notFound(`record ${record}`);
    return NextResponse.json({ id: Number(record) });
  });
