import { NextResponse, type NextRequest } from 'next/server';
import { theStore } from '@/store/database';
import { keepPhoto, photoType } from '@/store/photos';
import { handled, notFound, photoBody, sameOrigin } from '../../../handled';
import { Refused } from '@/store/refused';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** Most bytes of a photo: a page sends less, since it makes photos smaller first. */
const MOST = 8 * 1024 * 1024;

/** Keeps a photo with a rig; its id goes into a report. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    sameOrigin(request);
    const { id } = await params;
    const bytes = Buffer.from(await photoBody(request, MOST));
    const type = photoType(bytes);
    if (!type) throw new Refused(415, 'not-a-photo', 'Send the body as a JPEG, PNG or WebP picture.');
    const photo = keepPhoto(theStore(), id, { type, bytes }, Date.now());
    if (!photo) throw notFound(`rig ${id}`);
    return NextResponse.json({ photo }, { status: 201 });
  });
