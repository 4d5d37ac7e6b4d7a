import { createServer } from 'node:http';
import { parseArgs } from 'node:util';
import sirv from 'sirv';

/**
 * Serves the built application. What no page and no route can be asked for is answered here, in words, before it gets
 * that far: methods nobody means, addresses that cannot be read.
 */
const { values } = parseArgs({
  options: {
    hostname: { type: 'string', default: '127.0.0.1' },
    port: { type: 'string', short: 'p', default: process.env.INLET_CHECK_PORT ?? '3000' },
  },
});
const { hostname } = values;
const port = Number(values.port);

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'OPTIONS', 'PATCH'];

/** Whether an address is a path with escapes that stand for text. */
function isReadable(url) {
  if (!url.startsWith('/')) return false;
  try {
    decodeURIComponent(url.split('?', 1)[0]);
    return true;
  } catch {
    return false;
  }
}

function refuse(response, status, code, message) {
  response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store', connection: 'close' });
  response.end(JSON.stringify({ error: { code, message } }));
}

/** Scripts and styles of the build: they never change under their names, and lie there compressed. */
const STATIC = '/_next/static/';
const YEAR = 365 * 24 * 60 * 60;
const files = sirv('.next/static', {
  immutable: true,
  maxAge: YEAR,
  gzip: true,
  etag: true,
  setHeaders: (response) => response.setHeader('x-content-type-options', 'nosniff'),
});
function serveFile(request, response) {
  const { url } = request;
  request.url = url.slice(STATIC.length - 1);
  // A build that is made anew beside this server takes files away.
  response.on('pipe', (file) => file.on('error', () => response.destroy()));
  files(request, response, () => {
    request.url = url;
    return handle(request, response);
  });
}

// Before anything of the framework is read: it asks for this.
process.env.NODE_ENV = 'production';
const { default: next } = await import('next');
const app = next({ dev: false, hostname, port });
await app.prepare();
const handle = app.getRequestHandler();
const server = createServer((request, response) => {
  const { method = '', url = '' } = request;
  if (!METHODS.includes(method))
    return refuse(response, 405, 'bad-method', `Nothing here answers to ${method}; use ${METHODS.join(', ')}.`);
  if (!isReadable(url))
    return refuse(
      response,
      400,
      'bad-address',
      'The address has a % in it that stands for nothing; write %25 for a percent sign.',
    );
  if (url.startsWith(STATIC) && (method === 'GET' || method === 'HEAD')) return serveFile(request, response);
  return handle(request, response);
});
// Pages look every few seconds whether something is new: a connection closed in between would now and then be closed just
// as it is used again.
server.keepAliveTimeout = 65_000;
server.on('error', (problem) => {
  console.error(
    problem.code === 'EADDRINUSE'
      ? `Port ${port} is taken. Stop what listens there, or name another port in INLET_CHECK_PORT.`
      : problem.message,
  );
  process.exit(1);
});
server.listen(port, hostname, () => console.log(`Inlet Check: http://${hostname}:${port}`));
