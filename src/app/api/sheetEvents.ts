import { NextResponse, type NextRequest } from 'next/server';
import { followSheets, type Versions } from '@/store/follow';

/** A sign of life, so that a connection that broke is noticed, in milliseconds. */
const ALIVE = 10_000;

/** Server-sent events (HTML standard, 9.2) about sheets that have gone on. @param say what is sent of a change; nothing where undefined */
export function sheetEvents(request: NextRequest, say: (changed: Versions) => object | undefined): NextResponse {
  const encoder = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const write = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          // Whoever listened has gone already.
          end();
        }
      };
      const tell = (changed: Versions) => {
        const what = say(changed);
        if (what) write(`data: ${JSON.stringify(what)}\n\n`);
      };
      const { versions, stop } = followSheets({
        onChange: (changed) => {
          try {
            tell(changed);
          } catch (problem) {
            // The browser asks again by itself, and is told then.
            console.error(problem);
            end();
          }
        },
        onLost: () => end(),
      });
      const alive = setInterval(() => write('event: alive\ndata: \n\n'), ALIVE);
      end = () => {
        end = () => {};
        stop();
        clearInterval(alive);
        try {
          controller.close();
        } catch {
          // It is closed.
        }
      };
      write('retry: 500\n\n');
      tell(versions);
      request.signal.addEventListener('abort', () => end());
    },
    cancel: () => end(),
  });
  return new NextResponse(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-cache, no-transform' },
  });
}
