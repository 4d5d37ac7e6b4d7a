import { NextResponse } from 'next/server';
import { theStore } from '@/store/database';
import { door } from '../door';

export const dynamic = 'force-dynamic';

export const GET = () =>
  door(() => {
    const { rigs } = theStore().prepare('SELECT count(*) AS rigs FROM rig').get() as { rigs: number };
    return NextResponse.json({ status: 'ok', rigs });
  });
