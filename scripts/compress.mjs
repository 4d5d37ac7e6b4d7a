// Puts a compressed copy beside each script and style of the build: whoever opens a page waits for none to be made.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const FOLDER = '.next/static';
/** What packs well; fonts are packed already. */
const PACKED = /\.(js|css|json|wasm|txt)$/;

for (const file of readdirSync(FOLDER, { recursive: true })) {
  if (!PACKED.test(file)) continue;
  const whole = readFileSync(join(FOLDER, file));
  const packed = gzipSync(whole, { level: 9 });
  if (packed.length < whole.length) writeFileSync(join(FOLDER, `${file}.gz`), packed);
}
