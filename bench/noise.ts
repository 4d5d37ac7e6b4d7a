import { mkdirSync, writeFileSync } from 'node:fs';
import { line as path, scaleLinear } from 'd3';
import { accusationsOf, binned, SORTS, worldOf, type Accusation, type Bin } from '../tests/hunts/worlds';
import { FAMILIES, type Family } from '../tests/recordings/families';
import { figuresOf, kept } from '../tests/recordings/figures';

/** Recordings of a family that are read for the table. */
const EACH = 24;
/** Worlds that are hunted for the curve. */
const WORLDS = 2000;
/** The first of them; those of the tests come before. */
const FIRST = 5000;

/** How recordings of each family are called, and how far their floors are off; none of them was looked at before. */
export function families(): void {
  console.log('\nRecordings by family, made up, kept apart while the analysis was made\n');
  console.log('| family | recordings | called right | used as a floor | floor off by, dB | floors made up |');
  console.log('| --- | --- | --- | --- | --- | --- |');
  const all = (Object.keys(FAMILIES) as Family[]).map((family) => figuresOf(family, kept(EACH)));
  for (const { family, count, right, usable, worst, false: wrong } of all)
    console.log(
      `| ${family} | ${count} | ${right} | ${usable} | ${usable > wrong ? worst.toFixed(2) : '–'} | ${wrong} |`,
    );
  const [count, right] = [all.length * EACH, all.reduce((sum, each) => sum + each.right, 0)];
  console.log(`\nCalled right: ${((100 * right) / count).toFixed(1)} % of ${count} (aim: 90)`);
  const confused = all.flatMap(({ family, names }) =>
    Object.entries(names)
      .filter(([name]) => name !== FAMILIES[family].named)
      .map(([name, n]) => ({ family, name, n })),
  );
  const most = confused.sort((a, b) => b.n - a.n)[0];
  console.log(
    most
      ? `Most confused: ${most.family} called ${most.name}, ${most.n} of ${EACH} (aim: 1 in 20 at most)`
      : 'No pair confused',
  );
}

/** How sure hunts are, and how often they are right, in worlds of every sort; drawn as a figure if asked. */
export function hunts(count = WORLDS, file?: string): void {
  console.log(`\nHunts in ${count} worlds of every sort, readings scattering by 0 to 2 dB\n`);
  const all: Accusation[] = [];
  const steps = new Map<string, number[]>();
  let missed = 0;
  const start = performance.now();
  for (let n = 0; n < count; n++) {
    const found = accusationsOf(FIRST + n);
    all.push(...found.accusations);
    missed += found.missed;
    const { sort } = worldOf(FIRST + n);
    steps.set(sort, [...(steps.get(sort) ?? []), found.steps]);
  }
  const bins = binned(all);
  for (const { from, to, count: own, said, right } of bins)
    if (own)
      console.log(
        `${Math.round(100 * from)} to ${Math.round(100 * to)} % sure: ${own} accusations, ${(100 * said).toFixed(1)} % said, ${(100 * right).toFixed(1)} % right`,
      );
  const sure = all.filter(({ certainty }) => certainty > 0.9);
  const wrong = sure.filter(({ right }) => !right).length;
  console.log(
    `over 90 % sure: ${sure.length}, innocent ${((100 * wrong) / sure.length).toFixed(2)} % (aim: below 2); culprits not named ${missed}`,
  );
  for (const sort of SORTS) {
    const own = steps.get(sort) ?? [];
    if (own.length)
      console.log(`${sort}: ${(own.reduce((sum, each) => sum + each, 0) / own.length).toFixed(1)} measurements`);
  }
  console.log(`${((performance.now() - start) / count).toFixed(0)} ms a hunt`);
  if (file) {
    mkdirSync('docs/figures', { recursive: true });
    writeFileSync(file, figure(bins, count));
  }
}

const [WIDTH, HEIGHT, MARGIN] = [420, 420, 56];

/** Certainty against how often it was so, with the diagonal and five points to either side. */
function figure(bins: readonly Bin[], worlds: number): string {
  const x = scaleLinear([0.5, 1], [MARGIN, WIDTH - 16]);
  const y = scaleLinear([0.4, 1.05], [HEIGHT - MARGIN, 16]);
  const points = bins.filter(({ count }) => count >= 5);
  const along = path<number>(
    (share) => x(share),
    (share) => y(share),
  )([0.5, 1]);
  const band = `M${x(0.5)},${y(0.45)}L${x(1)},${y(0.95)}L${x(1)},${y(1.05)}L${x(0.5)},${y(0.55)}Z`;
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const ticks = [0.5, 0.6, 0.7, 0.8, 0.9, 1];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${HEIGHT}" font-family="sans-serif" font-size="12">
<rect width="${WIDTH}" height="${HEIGHT}" fill="#fff"/>
<path d="${band}" fill="#dfe7ee"/>
<path d="${along}" stroke="#5b6b7a" stroke-dasharray="5 4" fill="none"/>
${ticks.map((tick) => `<text x="${x(tick)}" y="${HEIGHT - MARGIN + 18}" text-anchor="middle">${percent(tick)}</text><text x="${MARGIN - 8}" y="${y(tick) + 4}" text-anchor="end">${percent(tick)}</text>`).join('\n')}
${points.map(({ said, right, count }) => `<circle cx="${x(said).toFixed(1)}" cy="${y(right).toFixed(1)}" r="5" fill="#0b5d8a"/><text x="${(x(said) - 8).toFixed(1)}" y="${(y(right) + 18).toFixed(1)}" text-anchor="end">${count}</text>`).join('\n')}
<text x="${(WIDTH + MARGIN) / 2}" y="${HEIGHT - 14}" text-anchor="middle">How sure the hunt says it is (${worlds} worlds)</text>
<text transform="translate(14 ${HEIGHT / 2}) rotate(-90)" text-anchor="middle">How often it was so</text>
</svg>
`;
}
