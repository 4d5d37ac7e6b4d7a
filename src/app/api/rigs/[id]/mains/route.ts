import { NextResponse, type NextRequest } from 'next/server';
import { heavily } from '@/threads/pool';
import { handled } from '../../../handled';
import { rigIn } from '../measurements/valid';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** The mains side of a rig solved: chassis, leakage, loops, what each line hears, what each remedy would change. */
export const GET = (request: NextRequest, { params }: Context) =>
  handled(async () => {
    const { id } = await params;
    return NextResponse.json(await heavily('mains', rigIn(id), request.signal));
  });
