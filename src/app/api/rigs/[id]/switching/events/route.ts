import type { NextRequest } from 'next/server';
import { sheetClock } from '@/store/clock';
import { theStore } from '@/store/database';
import { keptSwitching, sheetVersion } from '@/store/switching';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** How often the database is looked at; another process may have written to it. In milliseconds. */
const LOOK = 250;
/** A sign of life, so that a connection that broke is noticed. */
const ALIVE = 10_000;

/** Server-sent events: the sheet of a rig whenever it has gone on, and at once for whoever has not seen its version. */
export async function GET(request: NextRequest, { params }: Context) {
  const { id } = await params;
  const store = theStore();
  let seen = Number(request.nextUrl.searchParams.get('version') ?? -1);
  const encoder = new TextEncoder();
  let timer: ReturnType<typeof setInterval>;
  let alive = Date.now();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const look = () => {
        const version = sheetVersion(store, id);
        if (version !== seen) {
          seen = version;
          const kept = keptSwitching(store, id);
          if (kept)
            controller.enqueue(encoder.encode(`data: ${JSON.stringify({ ...kept, now: sheetClock(store) })}\n\n`));
        } else if (Date.now() - alive > ALIVE) {
          alive = Date.now();
          controller.enqueue(encoder.encode(': alive\n\n'));
        }
      };
      controller.enqueue(encoder.encode('retry: 500\n\n'));
      look();
      timer = setInterval(look, LOOK);
      request.signal.addEventListener('abort', () => {
        clearInterval(timer);
        controller.close();
      });
    },
    cancel: () => clearInterval(timer),
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
}
