import { NextResponse, type NextRequest } from 'next/server';
import { sheetClock } from '@/store/clock';
import { theStore } from '@/store/database';
import { hasRig } from '@/store/rigs';
import { keptSwitching, sheetVersion } from '@/store/switching';
import { door, notFound } from '../../../../door';

export const dynamic = 'force-dynamic';
type Context = { params: Promise<{ id: string }> };

/** How often the database is looked at; another process may have written to it. In milliseconds. */
const LOOK = 250;
/** A sign of life, so that a connection that broke is noticed. */
const ALIVE = 10_000;

/** Server-sent events: the sheet of a rig whenever it has gone on, and at once for whoever has not seen its version. */
export const GET = (request: NextRequest, { params }: Context) =>
  door(async () => {
    const { id } = await params;
    if (!hasRig(theStore(), id)) throw notFound(`rig ${id}`);
    return told(request, id);
  });

function told(request: NextRequest, id: string): NextResponse {
  const store = theStore();
  let seen = Number(request.nextUrl.searchParams.get('version') ?? -1);
  const encoder = new TextEncoder();
  let timer: ReturnType<typeof setInterval>;
  let alive = Date.now();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const end = () => {
        clearInterval(timer);
        try {
          controller.close();
        } catch {
          // Whoever listened has gone already.
        }
      };
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
      timer = setInterval(() => {
        try {
          look();
        } catch (problem) {
          // The browser asks again by itself, and is told then.
          console.error(problem);
          end();
        }
      }, LOOK);
      request.signal.addEventListener('abort', end);
    },
    cancel: () => clearInterval(timer),
  });
  return new NextResponse(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
}
