import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { removeCableTest } from '@/store/testing';
import { handled, notFound, sameOrigin } from '../../handled';
import { numbered } from '../../valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ test: string }> };

/** Takes the test of a cable out. */
export const DELETE = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { test } = await params;
    if (!removeCableTest(theStore(), numbered(test, 'cable test'))) throw notFound(`cable test ${test}`);
    return NextResponse.json({ removed: true });
  });
