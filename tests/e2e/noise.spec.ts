import { expect, pageWith, test, type Locator, type Page } from './test';
import { wavBody, wavHead } from '@/core/signal/wav/writer';
import { amplitude, noise, sine, sum } from '../signals';
import { choose, copyOf, fewOf, openNoise, reading, saved } from './rig';

const RATE = 48_000;

const kept = (page: Page) => page.getByRole('list', { name: 'Kept measurements' }).getByRole('listitem');

/** A mono recording as a file. */
const wavFile = (name: string, samples: Float32Array, rate = RATE) => ({
  name,
  mimeType: 'audio/wav',
  buffer: Buffer.concat([wavHead(rate, 1, samples.length), wavBody([samples])]),
});

async function fault(page: Page, ...names: string[]) {
  await page.getByRole('combobox', { name: 'Add faults' }).click();
  for (const name of names) await page.getByRole('option', { name }).click();
  await page.keyboard.press('Escape');
}

test('level and budget: whose noise it is, what a booster gains, a quieter room', async ({ page }) => {
  const rig = await copyOf(page, 'Budget', 'lock-nine-mended');
  await openNoise(page, rig, "Guide's stand");
  const plan = page.getByLabel('Level plan');
  await expect(plan).toContainText('41.5 dB');
  await expect(plan).toContainText('−12 dBFS');
  await expect(page.getByRole('heading', { name: /Whose noise it is: Preamplifier/ })).toBeVisible();
  await page.getByRole('button', { name: 'Unweighted' }).click();
  await expect(page.getByRole('heading', { name: 'Whose noise it is: Room' })).toBeVisible();

  // Its switch feeds a self-powered microphone on a plain adapter too: that is nothing to be pressed here.
  const remedies = page.getByRole('region', { name: 'What would help' });
  await expect(remedies).toContainText('Its switch feeds Lock keeper, self-powered too');
  await expect(page.getByRole('button', { name: 'Do it: Add an inline booster' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Do it: Move to Stream interface, inlet 2' }).click();
  await expect(remedies).not.toContainText('Lock keeper');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(remedies).toContainText('Lock keeper');
  await expect(plan).toContainText('41.5 dB');

  await page.getByRole('button', { name: /^Room: 24 dB\(A\)/ }).click();
  await page.getByLabel('Level, dB(A)').fill('44');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('button', { name: /^Room: 44 dB\(A\)/ })).toBeVisible();
  await page.getByRole('button', { name: 'A-weighted', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Whose noise it is: Room' })).toBeVisible();
  await saved(page);
});

test('whoever looks at another line has that one solved, and not all of them once more', async ({ page }) => {
  await page.addInitScript(() => {
    const asked: string[] = [];
    Object.assign(window, { asked });
    const { postMessage } = Worker.prototype;
    Worker.prototype.postMessage = function (question: { ask: string; line?: string }) {
      asked.push([question.ask, question.line].filter(Boolean).join(' '));
      postMessage.call(this, question);
    };
  });
  await openNoise(page, 'lock-nine', 'Electric piano, left');
  const plan = page.getByLabel('Level plan');
  await expect(page.getByLabel('includes the hum measured last time')).toBeChecked();
  await page
    .getByRole('navigation', { name: 'Lines' })
    .getByRole('button', { name: /^Trio, pair A right/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Trio, pair A right', exact: true })).toBeVisible();
  await expect(plan).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Lines' })
    .getByRole('button', { name: /^Electric piano, right/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Electric piano, right', exact: true })).toBeVisible();
  await expect(plan).toBeVisible();
  const asked = await page.evaluate(() => (window as unknown as { asked: string[] }).asked);
  expect(asked.filter((each) => each === 'floors')).toEqual(['floors']);
  expect(asked.filter((each) => each === 'budget pair-a-right')).toEqual(['budget pair-a-right']);
});

test('hum that was measured counts in the list of lines as in the panel, and is sent to the hunt', async ({ page }) => {
  await openNoise(page, 'lock-nine', 'Electric piano, left');
  const plan = page.getByLabel('Level plan');
  await expect(page.getByLabel('includes the hum measured last time')).toBeChecked();
  await expect(plan).toContainText(/Predicted floor\W*−6\d/);
  const [, floor] = /Predicted floor[●▲]*(−[\d.]+ dBFS)/.exec((await plan.textContent())!)!;
  const listed = page.getByRole('navigation', { name: 'Lines' }).getByRole('button', { name: /^Electric piano, left/ });
  await expect(listed).toContainText(floor);
  await expect(page.getByRole('region', { name: 'What would help' })).toContainText('A hunt finds who makes it');
  await expect(page.getByRole('img', { name: /3 noise floors, 6 May 2026 to 8 May 2026/ })).toBeVisible();
});

test('a file: measured in the browser, or told what is wrong with it', async ({ page }) => {
  await openNoise(page, 'lock-nine-mended', "Guide's stand", 'Measure');
  const input = page.getByLabel('WAV file to measure');
  const hum = [1, 3, 5].map((order) => sine(8 * RATE, 50 * order, amplitude(-50 - 5 * order), RATE));
  await input.setInputFiles(wavFile('hold, evening.wav', sum(noise(8 * RATE, amplitude(-75)), ...hum)));
  await expect(reading(page)).toContainText('Hum: the fundamental and odd harmonics');
  await expect(page.getByRole('img', { name: /Mains at 50.00 Hz/ })).toBeVisible();

  // As a telephone records it: most of the hiss is not in it. What is quiet enough may not be; what is too loud is.
  await expect(reading(page)).toContainText('than predicted by');
  await input.setInputFiles(wavFile('loud telephone.wav', noise(8 * 8000, amplitude(-60)), 8000));
  await expect(reading(page).getByRole('alert')).toContainText('Nothing above 4 kHz is in this recording');
  await expect(reading(page)).toContainText('Louder than predicted by');
  await input.setInputFiles(wavFile('telephone.wav', noise(8 * 8000, amplitude(-90)), 8000));
  await expect(reading(page).getByRole('alert')).toContainText('It is not compared with the prediction.');
  await expect(reading(page)).toContainText('recorded at 8 kHz');
  await expect(reading(page)).not.toContainText('than predicted by');

  await input.setInputFiles(wavFile('half a second.wav', noise(RATE / 2, amplitude(-60))));
  await expect(reading(page).getByRole('alert')).toContainText('0.5 s long');

  await input.setInputFiles({
    name: 'letter.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from('Dear keeper of the lock'),
  });
  await expect(page.getByRole('alert').filter({ hasText: /WAV/ })).toBeVisible();
  await input.setInputFiles({ name: 'empty.wav', mimeType: 'audio/wav', buffer: Buffer.alloc(0) });
  await expect(page.getByRole('alert').filter({ hasText: /empty/i })).toBeVisible();
});

test('recordings are read by transforms that are loaded, and all the same where they cannot be', async ({ page }) => {
  const TRANSFORMS = /pffft[^/]*\.wasm/;
  const recording = wavFile('hold.wav', sum(noise(8 * RATE, amplitude(-75)), sine(8 * RATE, 50, amplitude(-55))));
  const answers: number[] = [];
  page.on('response', (response) => TRANSFORMS.test(response.url()) && answers.push(response.status()));
  const read = async () => {
    await openNoise(page, 'lock-nine-mended', "Guide's stand", 'Measure');
    await page.getByLabel('WAV file to measure').setInputFiles(recording);
    await expect(reading(page)).toContainText('50.00 Hz');
    return page.getByLabel('What was measured').innerText();
  };
  const quick = await read();
  expect(answers).toEqual([200]);
  await page.route(TRANSFORMS, (route) => route.abort());
  expect(await read()).toBe(quick);
  // Asked for, and never answered.
  await page.unroute(TRANSFORMS);
  await page.route(TRANSFORMS, () => undefined);
  expect(await read()).toBe(quick);
  expect(answers).toEqual([200]);
});

test('the sound of a long recording is kept byte for byte, and sent again where it got lost on the way', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Long sound', 'lock-nine-mended');
  await openNoise(page, rig, "Guide's stand", 'Measure');
  const file = wavFile('evening.wav', noise(90 * RATE, amplitude(-70)));
  expect(file.buffer.length).toBeGreaterThan(12 * 1024 * 1024);
  await page.getByLabel('WAV file to measure').setInputFiles(file);
  await page.getByRole('checkbox', { name: 'save the audio too' }).check();
  let lose = true;
  await page.route('**/audio', (route) => {
    if (route.request().method() !== 'PUT' || !lose) return route.continue();
    lose = false;
    return route.abort();
  });
  await page.getByRole('button', { name: 'Keep the figures' }).click();
  const alert = page.getByRole('alert').filter({ hasText: 'The figures are kept, the sound is not' });
  await expect(alert).toContainText('No connection');
  await alert.getByRole('button', { name: 'Send the sound again' }).press('Enter');
  const link = page.getByRole('link', { name: 'Sound of evening.wav' });
  await expect(link).toBeVisible();
  await expect(alert).toHaveCount(0);
  const kept = await page.request.get((await link.getAttribute('href'))!);
  expect(file.buffer.equals(await kept.body())).toBe(true);

  // What is no recording is refused, and what was kept stays.
  const path = (await link.getAttribute('href'))!;
  for (const [data, code] of [
    [Buffer.from('Dear keeper of the lock'), 'not-sound'],
    [Buffer.alloc(0), 'not-sound'],
  ] as const) {
    const refused = await page.request.put(path, { data, headers: { 'content-type': 'audio/wav' } });
    expect([refused.status(), (await refused.json()).error.code]).toEqual([415, code]);
  }
  expect((await (await page.request.get(path)).body()).length).toBe(file.buffer.length);
});

test('the simulated interface: faults named, the surplus explained, figures kept, removed, put back and logged', async ({
  page,
}) => {
  const rig = await fewOf(page, 'Measured', 'lock-nine-mended');
  await openNoise(page, rig, "Guide's stand", 'Measure');
  const simulated = page.getByRole('button', { name: 'Simulated interface' });
  await simulated.click();
  await expect(page.getByLabel('Where it comes from')).toContainText('As predicted (within 3 dB)');
  await page.getByLabel('Name', { exact: true }).fill('before the show');
  await page.getByRole('checkbox', { name: 'save the audio too' }).check();
  await page.getByRole('button', { name: 'Keep the figures' }).click();
  await expect(page.getByRole('link', { name: 'Sound of before the show' })).toBeVisible();

  await fault(page, 'a ground loop', 'a charger on the audio strip');
  await simulated.click();
  await expect(reading(page)).toContainText('Buzz: 100 Hz and a long comb');
  await expect(reading(page)).toContainText('Steady tones in the kilohertz range');
  await expect(page.getByLabel('Where it comes from')).toContainText('is buzz');
  await page.getByLabel('Name', { exact: true }).fill('after the interval');
  await page.getByRole('button', { name: 'Keep the figures' }).click();
  await expect(kept(page)).toHaveCount(2);
  await expect(page.getByRole('img', { name: /^2 noise floors/ })).toBeVisible();

  // The last one comes with the page, the older ones when the line is chosen; while they cannot be had, that is told.
  const older = '**/measurements?line=*';
  await page.route(older, (asked) => asked.abort());
  await page.reload();
  await page
    .getByRole('navigation', { name: 'Lines' })
    .getByRole('button', { name: /^Guide's stand/ })
    .click();
  const missing = page.getByText('Older measurements of this line could not be loaded. No connection.');
  await expect(missing).toBeVisible();
  await expect(kept(page)).toHaveCount(1);
  await expect(kept(page).first()).toContainText('after the interval');
  await page.unroute(older);
  await expect(kept(page)).toHaveCount(2);
  await expect(missing).toHaveCount(0);
  await expect(kept(page).first()).toContainText('after the interval');
  await page.getByRole('button', { name: 'Remove after the interval' }).click();
  await expect(kept(page)).toHaveCount(1);
  await page.getByRole('button', { name: 'Put back' }).click();
  await expect(kept(page)).toHaveCount(2);

  // The budget counts what was measured last.
  await expect(page.getByRole('heading', { name: 'Whose noise it is: Hum' })).toBeVisible();
  await page.getByRole('checkbox', { name: 'includes the hum measured last time' }).uncheck();
  await expect(page.getByRole('heading', { name: /Whose noise it is: Preamplifier/ })).toBeVisible();

  const path = (await page.getByRole('link', { name: 'Sound of before the show' }).getAttribute('href'))!;
  const sound = await page.request.get(path);
  expect((await sound.body()).subarray(0, 4).toString()).toBe('RIFF');
  // What somebody else has removed meanwhile is gone here as well, once it is pressed.
  expect((await page.request.delete(path.replace('/audio', ''))).ok()).toBe(true);
  await page.getByRole('button', { name: 'Remove before the show' }).click();
  await expect(page.getByText(/^There is no measurement \d+\.$/)).toBeVisible();
  await expect(kept(page)).toHaveCount(1);
  await page.goto(`/log?rig=${rig}`);
  await expect(page.getByText(/“after the interval”, simulated interface/).first()).toBeVisible();
});

test('Lock Nine as it starts hums and whines on the laptop’s line, as predicted; a microphone that floats hears nothing of it', async ({
  page,
}) => {
  await openNoise(page, 'lock-nine', 'Laptop, playback', 'Measure');
  await page.getByRole('button', { name: 'Simulated interface' }).click();
  await expect(reading(page)).toContainText('As predicted (within 3 dB), its hum included');
  await expect(reading(page)).toContainText(/50 Hz|odd/);
  await expect(reading(page)).toContainText('4310');
  await openNoise(page, 'lock-nine', 'Trio, pair A left', 'Measure');
  await page.getByRole('button', { name: 'Simulated interface' }).click();
  await expect(reading(page)).toContainText('A clean recording');
});

test('a gate and a talking room are refused; a live stream shows how far it is and can be cancelled', async ({
  page,
}) => {
  await openNoise(page, 'lock-nine-mended', "Guide's stand", 'Measure');
  const simulated = page.getByRole('button', { name: 'Simulated interface' });
  await fault(page, 'a gate left on');
  await simulated.click();
  await expect(reading(page).getByRole('alert')).toContainText('A gate or expander shuts');
  await expect(page.getByLabel('What was measured')).toContainText('not a noise floor');

  await choose(page, 'Pace', 'live');
  await simulated.click();
  await expect(page.getByRole('progressbar', { name: 'Progress' })).toBeVisible();
  await expect(page.getByText(/Listening to simulated interface: [1-9]/)).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect(simulated).toBeVisible();
});

test('the target is typed and stays', async ({ page }) => {
  await openNoise(page, 'lock-nine-mended', "Guide's stand");
  await expect(page.getByLabel('Level plan')).toContainText('target −60 dBFS');
  await page.getByLabel('Acceptable floor (dBFS RMS)').fill('-80');
  await expect(page.getByLabel('Level plan')).toContainText('target −80 dBFS');
  await page.getByLabel('Acceptable floor (dBFS RMS)').fill('loud');
  await expect(page.getByText('dBFS, below 0, e.g. −60')).toBeVisible();
});

test('the ladder on the moving coil names the preamplifier; from the bottom up it is refused', async ({ page }) => {
  const rig = await fewOf(page, 'Ladder', 'lock-nine-mended');
  await openNoise(page, rig, "Guide's stand", 'Ladder');
  const simulated = page.getByRole('button', { name: 'Simulated interface' });
  const current = page.locator('[aria-current="step"]');
  // Begun in the middle: nobody knows what the parts add up to.
  await page.getByRole('button', { name: 'Measure: Source quiet' }).click();
  await simulated.click();
  await expect(current).toContainText('Gain down');
  await simulated.click();
  await expect(page.getByRole('tabpanel').getByRole('alert')).toContainText('first rung is everything as used');
  await page.getByRole('button', { name: 'Measure: Everything as used' }).click();
  await simulated.click();
  await expect(page.getByRole('heading', { name: /^Preamplifier adds most: −8/ })).toBeVisible();
  await expect(page.getByRole('table', { name: 'Who adds what, A-weighted' })).toContainText('Resistance of the coil');
  await page.getByRole('button', { name: 'Keep this ladder' }).click();
  await expect(page.getByRole('list', { name: 'Kept ladders' })).toContainText('adds most');
});

test('the ladder on the condenser names the room', async ({ page }) => {
  await openNoise(page, 'lock-nine-mended', 'Wheelhouse, large condenser', 'Ladder');
  const current = page.locator('[aria-current="step"]');
  for (const next of ['Source quiet', 'Feed off', 'Output of the preamplifier down']) {
    await page.getByRole('button', { name: 'Simulated interface' }).click();
    await expect(current).toContainText(next);
  }
  await expect(page.getByRole('heading', { name: /^Room adds most/ })).toBeVisible();
});

test('the hunt on Lock Nine: left and gone on with, it finds the loop and the charger, and is a page to share', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const rig = await copyOf(page, 'Hunted', 'lock-nine');
  await openNoise(page, rig, 'Laptop, playback', 'Hunt');
  await expect(page.getByRole('alert').filter({ hasText: 'Never lift the protective earth' })).toBeVisible();
  await page.getByRole('button', { name: 'Begin the hunt' }).click();
  // What the mains side makes likely is weighed, so it is said.
  await expect(page.getByText(/^Calculated from the mains side/)).toContainText(
    'the hum comes from Hold desk and Laptop together',
  );
  const measure = page.getByRole('region', { name: 'Next measurement' });
  const done = page.getByText(/Done after \d+ measurements. Result below/);
  let count = 0;
  for (; count < 16 && !(await done.isVisible()); count++) {
    await measure.getByRole('button', { name: 'Simulated interface' }).click();
    await expect(page.getByRole('heading', { name: `Measurement ${count + 2}`, exact: true }).or(done)).toBeVisible({
      timeout: 30_000,
    });
    if (count !== 2) continue;
    await page.reload();
    await page.getByRole('tab', { name: 'Hunt' }).click();
    await expect(page.getByRole('heading', { name: 'Measurement 4', exact: true })).toBeVisible();
  }
  await expect(done).toBeVisible();
  expect(count).toBeLessThan(16);
  const account = page.getByRole('region', { name: 'Result' });
  await expect(account).toContainText('Laptop – alone, or in a loop with what stays on (Hold desk');
  await expect(account).toContainText('Phone charger');
  // The simulated jack is clean: the model explains what was heard.
  await expect(page.getByRole('region', { name: 'Against the model' })).toContainText('They agree');
  await page.getByRole('link', { name: 'As a page to share' }).click();
  await expect(page.getByRole('heading', { name: 'Noise hunt: Laptop, playback' })).toBeVisible();
  await expect(page.getByRole('main')).toContainText('in a loop with what stays on (Hold desk');
  await expect(page.getByRole('main')).toContainText('Never lift the protective earth');
  await page.goto(`/log?rig=${rig}`);
  await expect(page.getByText(/^Hunt, measurement 1: everything on/)).toBeVisible();
});

test('without an input the browser’s refusal is told in words', async ({ page }) => {
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('denied', 'NotAllowedError'));
  });
  await openNoise(page, 'lock-nine-mended', "Guide's stand", 'Measure');
  await page.getByRole('button', { name: 'Record this browser’s input' }).click();
  await expect(page.getByRole('tabpanel').getByRole('alert')).toContainText('was not allowed to use an input');
});

test('doors: what is wrong is answered with what to change', async ({ request }) => {
  const of = async (path: string) => {
    const response = await request.get(path);
    return { status: response.status(), message: (await response.json()).error?.message as string };
  };
  expect(await of('/api/rigs/lock-nine/interface?line=nobody')).toMatchObject({ status: 404 });
  expect((await of('/api/rigs/lock-nine/interface?line=guide&faults=ghost')).message).toContain('knows no ghost');
  expect((await of('/api/rigs/lock-nine/interface?line=large-condenser')).status).toBe(409);
  const bad = await request.post('/api/rigs/lock-nine/measurements', { data: { line: 'guide' } });
  expect(bad.status()).toBe(400);
  const begun = await request.post('/api/rigs/lock-nine/hunts', {
    data: {
      way: 'build-up',
      line: 'guide',
      suspects: ['one', 'two'].map((id) => ({ id, name: id, kind: 'charger' })),
    },
  });
  const { id } = await begun.json();
  const components = { hum: 0, buzz: 0, tones: 0, hiss: 1e-9 };
  const step = (version: number, on: string[]) =>
    request.post(`/api/rigs/lock-nine/hunts/${id}`, { data: { version, step: { on, components } } });
  expect((await step(1, ['three'])).status()).toBe(400);
  expect((await step(1, ['one'])).ok()).toBe(true);
  const stale = await step(1, ['two']);
  expect(stale.status()).toBe(409);
  expect((await stale.json()).error.current.hunt.steps).toHaveLength(1);
});

test('the mains side: drawn, a strip out of use told first, a unit moved by keyboard, a remedy done and undone', async ({
  page,
}) => {
  const rig = await copyOf(page, 'Mains', 'lock-nine');
  await page.goto(`/noise?rig=${rig}`);
  await page.getByRole('tab', { name: 'Mains' }).click();
  await expect(page.getByRole('img', { name: /units on \d+ outlets. Loop 1: / })).toBeVisible();
  const findings = page.getByRole('complementary', { name: 'Findings of the mains side' });
  const first = findings.getByRole('article').first();
  await expect(first).toContainText('Stop');
  await expect(first).toContainText('Earth of stage strip: 1.4 Ω');
  await expect(findings).toContainText('Protective earth is never lifted');
  const earth = page.getByLabel('Earth path, measured of stage strip');
  await earth.fill('0.3');
  await page.keyboard.press('Enter');
  const hum = findings.getByRole('article', { name: /^Laptop, playback hears hum/ });
  await expect(hum).toContainText('are silent alone');
  await expect(first).toContainText('Laptop, playback hears hum');
  // What costs nothing stands before what needs a part.
  await expect(hum).toContainText(/Costs nothing[\s\S]*Needs a part[\s\S]*Isolating transformer/);
  const nothing = findings.getByRole('article', { name: 'Nothing to mend' });
  await hum.getByRole('button', { name: /^Do it on the rig: Isolating transformer/ }).press('Enter');
  await expect(nothing).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hum).toBeVisible();
  // Off the mains by keyboard: its loop is gone.
  await page.getByRole('combobox', { name: 'Plug of Laptop' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('option', { name: 'batteries' }).press('Enter');
  await expect(page.getByRole('img', { name: /Laptop, Hold desk|Hold desk, Laptop/ })).toHaveCount(0);
  await expect(nothing).toBeVisible();
  await page.getByRole('combobox', { name: 'Plug of Hold desk' }).click();
  await page.getByRole('option', { name: 'three-pin, earth missing' }).click();
  await expect(first).toContainText('Hold desk has no protective earth');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(nothing).toBeVisible();
  // A figure is taken over by Enter, and the keyboard goes on from there; Escape brings back what stood there.
  const [amps, filter] = ['Current from the mains', 'Capacitor from live to chassis'].map((figure) =>
    page.getByLabel(`${figure}: Hold desk`, { exact: true }),
  );
  await amps.fill('0.7');
  await page.keyboard.press('Enter');
  await expect(amps).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(filter).toBeFocused();
  await page.keyboard.type('2,2');
  await page.keyboard.press('Escape');
  await expect(filter).toHaveValue('');
  await expect(amps).toHaveValue('0.7');
  await page.getByLabel('Another unit').fill('Projector');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('combobox', { name: 'Plug of Projector' })).toBeVisible();
  await page.getByRole('button', { name: 'Remove Projector' }).press('Enter');
  await expect(page.getByRole('combobox', { name: 'Plug of Projector' })).toHaveCount(0);
  const { readings } = await page.evaluate(async (id) => {
    const answer = await (await fetch(`/api/rigs/${id}/mains`)).json();
    return { readings: answer };
  }, rig);
  expect(readings).toMatchObject({ format: 'inlet-check-mains', version: 1 });
});

test('the mains side by mouse, by table and by what was measured', async ({ page }) => {
  const rig = await copyOf(page, 'Mains by hand', 'lock-nine');
  await page.goto(`/noise?rig=${rig}&tab=mains`);
  const tree = page.getByRole('group', { name: 'Earth tree' });
  const hum = page.getByRole('article', { name: /^Laptop, playback hears hum/ });
  await expect(hum).toBeVisible();
  // A unit is drawn onto another outlet.
  const outlet = page.getByRole('combobox', { name: 'Outlet of Laptop' });
  await expect(outlet).toHaveValue('shore-power socket');
  await dragTo(page, tree.getByText('Laptop', { exact: true }), tree.getByText('audio strip', { exact: true }));
  await expect(outlet).toHaveValue('audio strip');
  await expect(hum).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(hum).toBeVisible();
  // What is measured counts, and is asked for where it would tell most.
  await page.getByLabel('Between the shells, unplugged: Laptop, playback').fill('2');
  await page.keyboard.press('Enter');
  await expect(hum).toHaveCount(0);
  await page.getByLabel('Between the shells, unplugged: Laptop, playback').fill('');
  await page.keyboard.press('Enter');
  const may = page.getByRole('article', { name: /^Laptop, playback may hum: .* ± 12 dB/ });
  // What decides is asked for, and what is answered is asked for no more.
  const worth = page.getByRole('region', { name: 'Still to find out' });
  const ask = worth.getByRole('textbox').first();
  const asked = await ask.getAttribute('aria-label');
  expect(asked).toMatch(/^(Current|Filter capacitor|Length) .*, if known$/);
  await ask.fill('1');
  await page.keyboard.press('Enter');
  await expect(worth.getByLabel(asked!)).toHaveCount(0);
  await expect(worth).toBeFocused();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(worth.getByLabel(asked!)).toBeVisible();
  await may.getByLabel('Between the shells, unplugged of Laptop, playback').fill('40');
  await page.keyboard.press('Enter');
  await expect(hum).toContainText('From what was measured: ± 4 dB.');
  // A table in: what it would do is shown first.
  await page.getByRole('button', { name: 'Import a table' }).click();
  const dialog = page.getByRole('dialog', { name: 'Import a table of the mains side' });
  await dialog.getByLabel('Or paste it').fill('what,name,colour\nunit,Fan,red');
  await expect(dialog.getByRole('alert')).toContainText('unknown column colour');
  await dialog
    .getByLabel('Or paste it')
    .fill('what,name,kind,on,current A\nunit,Fan,motor,audio strip,12\nunit,,motor,,');
  await expect(dialog).toContainText('1 added, 0 changed, 0 unchanged, 1 refused');
  await dialog.getByRole('button', { name: 'Import these rows' }).click();
  await expect(page.getByRole('article', { name: /^audio strip is overloaded: 12/ })).toContainText('Stop');
  // An outlet goes once nothing is plugged into it.
  await expect(page.getByRole('button', { name: 'Remove stage strip' })).toHaveCount(0);
  await page.getByRole('combobox', { name: 'Outlet of Fan' }).fill('spare strip');
  await page.keyboard.press('Tab');
  const spare = page.getByRole('combobox', { name: 'spare strip is plugged into' });
  await spare.click();
  await page.getByRole('option', { name: 'shore-power socket' }).click();
  await page.getByRole('combobox', { name: 'Outlet of Fan' }).fill('audio strip');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Remove spare strip' }).press('Enter');
  await expect(spare).toHaveCount(0);
  await expect(page.getByRole('group', { name: 'Outlets and strips: table' })).toBeFocused();
  const out = await page.request.get(`/api/rigs/${rig}/mains-table`);
  expect(await out.text()).toContain('unit,Fan,motor,,audio strip,,,,,12');
  await page.getByRole('link', { name: 'Brief for an electrician' }).click();
  await expect(page.getByRole('heading', { name: 'Brief for a licensed electrician' })).toBeVisible();
  await expect(page.getByRole('main')).toContainText('Out of use: Earth of stage strip: 1.4 Ω');
  await page.getByRole('link', { name: 'Back to the noise' }).click();
  await expect(page.getByRole('tab', { name: 'Mains' })).toHaveAttribute('aria-selected', 'true');
});

/** Drawn with the mouse, as a hand does: in steps. */
async function dragTo(page: Page, from: Locator, to: Locator): Promise<void> {
  const [a, b] = [await from.boundingBox(), await to.boundingBox()];
  await page.mouse.move(a!.x + 10, a!.y + a!.height / 2);
  await page.mouse.down();
  await page.mouse.move(b!.x + b!.width / 2 + 20, b!.y + b!.height / 2, { steps: 6 });
  await page.mouse.move(b!.x + b!.width / 2, b!.y + b!.height / 2, { steps: 3 });
  await page.mouse.up();
}

test('a job of ten units is drawn in ten presses and judged', async ({ page }) => {
  const made = await page.request.post('/api/rigs', {
    data: { format: 'inlet-check', version: 2, name: 'Ten presses', devices: [], lines: [] },
  });
  await page.goto(`/noise?rig=${(await made.json()).id}&tab=mains`);
  const add = page.getByRole('group', { name: 'Add a unit of a kind' });
  const kinds = ['Loudspeaker', 'Lamp', 'Charger', 'Computer', 'Audio device'];
  for (const kind of [...kinds, ...kinds]) await add.getByRole('button', { name: kind, exact: true }).press('Enter');
  await expect(page.getByRole('combobox', { name: 'Plug of Lamp 2' })).toBeVisible();
  await expect(page.getByRole('img', { name: /^10 units on 0 outlets/ })).toBeVisible();
  await expect(page.getByRole('article', { name: 'Nothing to mend' })).toBeVisible();
});

test('a unit that a hunt found goes to the repair shop, and its record stays with the item', async ({ page }) => {
  await page.goto('/noise?rig=lock-nine&tab=hunt');
  // Another test may have begun a newer hunt on this rig.
  const hunts = page.getByRole('list', { name: 'Hunts of this rig' });
  await hunts.getByRole('button', { name: /^Laptop, playback/ }).click();
  await page.getByRole('button', { name: 'For the repair shop: Laptop, hum' }).click();
  await expect(page.getByRole('heading', { name: 'For the repair shop: Laptop' })).toBeVisible();
  await expect(page.getByRole('main')).toContainText(/It makes the noise with everything unplugged|Not proven yet/);
  await expect(
    page.getByRole('img', { name: /^Spectrum with it and without it, biggest difference at \d+ Hz/ }),
  ).toBeVisible();
  // Of what was kept of the line, one recording with it.
  await page.getByRole('combobox', { name: 'Recording with it' }).click();
  await page.getByRole('option').nth(1).click();
  await page.getByLabel('Serial number').fill('MW-0451');
  await page.getByLabel('What was done').fill('Jack replaced');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  // By whom, and when: without that it is no record.
  const told = page.getByRole('form', { name: 'Record' }).getByRole('alert');
  await expect(told).toContainText('What was done needs by whom');
  await page.getByLabel('By whom').fill('repair shop at the quay');
  await page.getByLabel('On (year-month-day)').fill('2026-05-20');
  await page.getByLabel('Who', { exact: true }).fill('The maker’s line');
  await page.getByLabel('What they said').fill('Known; clean the jack first.');
  await page.getByRole('button', { name: 'Add and save' }).press('Enter');
  await expect(told).toContainText('Saved.');
  await page.reload();
  await expect(page.getByLabel('Serial number')).toHaveValue('MW-0451');
  await expect(page.getByRole('combobox', { name: 'Recording with it' })).toContainText('UTC');
  await expect(page.getByRole('list', { name: 'Who was asked' })).toContainText('clean the jack first');
  // Asked for again from the hunt, it is this record.
  const record = page.url();
  await page.getByRole('link', { name: 'Back to the hunt' }).click();
  await hunts.getByRole('button', { name: /^Laptop, playback/ }).click();
  await page.getByRole('button', { name: 'For the repair shop: Laptop, hum' }).press('Enter');
  await expect(page.getByLabel('Serial number')).toHaveValue('MW-0451');
  expect(page.url()).toBe(record);
  await page.goto('/kit');
  await page.getByLabel('Find in the kit').fill('laptop');
  await page.getByText('laptop, directly coupled').first().click();
  await expect(page.getByRole('region', { name: 'Repair shop' })).toContainText(
    'Jack replaced, repair shop at the quay',
  );
});

test('a record of the shop: what is typed survives a reload and a server that is gone, two people both get theirs in', async ({
  page,
  browser,
}) => {
  const made = await page.request.post('/api/shop', { data: { rig: 'lock-nine', unit: 'Line mixer' } });
  const { id } = await made.json();
  const path = `/kit/shop?record=${id}`;
  await page.goto(path);
  const told = page.getByRole('form', { name: 'Record' }).getByRole('alert');
  await page.getByLabel('Serial number').fill('LM-7');
  await expect(page.getByText('Not saved yet.')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Serial number')).toHaveValue('LM-7');
  await page.route('**/api/shop/*', (route) => route.abort());
  await page.getByLabel('Serial number').press('Enter');
  await expect(told).toContainText('No connection');
  await page.unroute('**/api/shop/*');
  // Meanwhile somebody else says something of the same record, in a browser of theirs.
  const other = await pageWith(browser, {});
  await other.goto(new URL(path, page.url()).href);
  await other.getByLabel('What was tried and changed nothing').fill('another lead');
  await other.getByLabel('Serial number').fill('LM 7');
  await other.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(other.getByText('Saved.')).toBeVisible();
  await other.context().close();
  await page.getByRole('button', { name: 'Save', exact: true }).press('Space');
  await expect(told).toContainText('Somebody else saved this record meanwhile');
  await expect(told).toContainText('Both of you changed: Serial number; yours is shown.');
  await expect(page.getByLabel('What was tried and changed nothing')).toHaveValue('another lead');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(told).toContainText('Saved.');
  const { record } = await (await page.request.get(`/api/shop/${id}`)).json();
  expect(record).toMatchObject({ serial: 'LM-7', unchanged: 'another lead' });
  await page.getByLabel('Who', { exact: true }).fill('The maker');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(told).toContainText('Who was asked needs both');
  await page.getByRole('button', { name: 'Discard changes' }).click();
  await expect(page.getByLabel('Who', { exact: true })).toHaveValue('');
  await page.getByRole('button', { name: 'Remove this record' }).press('Enter');
  await page.getByRole('dialog').getByRole('button', { name: 'Remove record' }).press('Enter');
  await expect(page).toHaveURL(/\/kit$/);
  expect((await page.request.get(`/api/shop/${id}`)).status()).toBe(404);
});
