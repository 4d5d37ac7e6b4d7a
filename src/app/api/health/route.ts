import { NextResponse } from 'next/server';
import { theStore } from '@/store/database';
import { handled } from '../handled';

export const dynamic = 'force-dynamic';

export const GET = () =>
  handled(() => {
    const { rigs } = theStore().prepare('SELECT count(*) AS rigs FROM rig').get() as { rigs: number };
    return NextResponse.json({ status: 'ok', rigs });
  });
