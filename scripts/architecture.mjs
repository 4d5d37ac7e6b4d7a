// Draws which folder imports which, from the imports themselves: npm run architecture
import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { path } from 'd3';
import { CORE, OVER_THE_CORE } from '../layers.mjs';

const FILE = 'docs/figures/architecture.svg';
const ROWS = [...Object.keys(OVER_THE_CORE).toReversed(), ...CORE.toReversed().map((folder) => `core/${folder}`)];
const [ROW, LEFT, WIDTH] = [24, 130, 640];

const { modules } = JSON.parse(
  execFileSync('npx', ['depcruise', 'src', '--config', '.dependency-cruiser.cjs', '--output-type', 'json'], {
    encoding: 'utf8',
    maxBuffer: 2 ** 28,
  }),
);
const folderOf = (file) => ROWS.find((row) => file.startsWith(`src/${row}/`));
const imports = new Map();
for (const { source, dependencies } of modules)
  for (const { resolved } of dependencies) {
    const [from, to] = [folderOf(source), folderOf(resolved)];
    if (from && to && from !== to) imports.set(`${from} ${to}`, (imports.get(`${from} ${to}`) ?? 0) + 1);
  }

const y = (row) => 20 + ROWS.indexOf(row) * ROW;
const files = (row) => modules.filter(({ source }) => folderOf(source) === row).length;
const arcs = [...imports].map(([pair, count]) => {
  const [from, to] = pair.split(' ');
  const arc = path();
  const reach = 24 + 20 * Math.abs(ROWS.indexOf(to) - ROWS.indexOf(from));
  arc.moveTo(LEFT, y(from));
  arc.bezierCurveTo(LEFT + reach, y(from), LEFT + reach, y(to), LEFT, y(to));
  const title = `${from} imports ${to}: ${count} ${count === 1 ? 'time' : 'times'}`;
  return `<path d="${arc}" stroke-width="${(0.6 + 0.9 * Math.log2(count)).toFixed(1)}"><title>${title}</title></path>`;
});
const labels = ROWS.map(
  (row) =>
    `<text x="${LEFT - 12}" y="${y(row) + 4}" text-anchor="end">${row.replace('core/', '')}<title>${files(row)} files</title></text>` +
    `<circle cx="${LEFT}" cy="${y(row)}" r="${(2 + Math.sqrt(files(row)) / 2).toFixed(1)}" />`,
);
const ground = y(`core/${CORE.at(-1)}`) - ROW / 2;

writeFileSync(
  FILE,
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${20 + ROWS.length * ROW}" font-family="sans-serif" font-size="13">
<title>Which folder imports which: every arc leads down</title>
<rect width="100%" height="100%" fill="#fff" />
<line x1="0" x2="${WIDTH}" y1="${ground}" y2="${ground}" stroke="#999" stroke-dasharray="4 4" />
<text x="${WIDTH - 8}" y="${ground + 16}" text-anchor="end" fill="#555">core</text>
<g fill="none" stroke="#2b5c73" stroke-opacity="0.35">
${arcs.join('\n')}
</g>
<g fill="#1a1a1a">
${labels.join('\n')}
</g>
</svg>
`,
);
