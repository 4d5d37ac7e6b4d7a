import { NextResponse, type NextRequest } from 'next/server';
import { huntSchema } from '@/core/noise/noise.schema';
import { begunText } from '@/core/noise/told';
import { theStore } from '@/store/database';
import { beginHunt, loadHunts } from '@/store/noise';
import { handled } from '../../../handled';
import { aboutLine, rigIn } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** The hunts of a rig, newest first. */
export const GET = (_request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    rigIn(id);
    return NextResponse.json({ hunts: loadHunts(theStore(), id) });
  });

/** Begins a hunt. */
export const POST = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id, body, line } = await aboutLine(request, params, huntSchema);
    const { who, ...hunt } = body;
    const text = begunText(hunt, line.name);
    const at = new Date().toISOString();
    return NextResponse.json(beginHunt(theStore(), id, { ...hunt, steps: [] }, { at, who, text }), { status: 201 });
  });
