import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { loadPhoto } from '@/store/photos';
import { handled, notFound } from '../../../../handled';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string; photo: string }> };

/** A photo that was kept with a rig. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, photo } = await params;
    const found = loadPhoto(theStore(), id, photo);
    if (!found) throw notFound(`photo ${photo}`);
    return new NextResponse(new Uint8Array(found.bytes), {
      headers: {
        'content-type': found.type,
        'x-content-type-options': 'nosniff',
        'cache-control': 'private, max-age=31536000, immutable',
      },
    });
  });
