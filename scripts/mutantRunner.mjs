// Runs unit tests for Stryker in a process that stays: every test file is bundled once, and evaluated anew for each fault,
// so that nothing that the core remembers is carried from one fault to the next.
import { existsSync, mkdtempSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join, resolve } from 'node:path';
import { Script } from 'node:vm';
import { jestExpect as expect } from '@jest/expect';
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin';
import {
  determineHitLimitReached,
  DryRunStatus,
  MutantRunStatus,
  TestStatus,
  toMutantRunResult,
} from '@stryker-mutator/api/test-runner';
import * as circus from 'jest-circus';
import { bundle, testFiles } from './bundled.mjs';
import { drawn, placeOf } from './drawn.mjs';

/** Tests that take longer are left out, in milliseconds; a fault that only they would notice counts as unnoticed. */
const SLOWEST = Number(process.env.MUTANT_SLOWEST ?? 500);
/** How long the tests of one fault may take where it is absent, in milliseconds: the nearest and the quickest first. */
const ENOUGH = Number(process.env.MUTANT_ENOUGH ?? 1500);

/** Of how many faults one is tried. */
const ONE_IN = Number(process.env.MUTANT_ONE_IN ?? 1);

/** How long each test took in the last run. */
const TIMES = process.env.MUTANT_TIMES;

const { describe, test, it, beforeAll, beforeEach, afterAll, afterEach } = circus;
Object.assign(globalThis, { describe, test, it, beforeAll, beforeEach, afterAll, afterEach, expect });

/** Tests of the core: those of the store and the interface start processes and want files that are not there. */
const OF_THE_CORE = /^(src\/core|tests\/(recordings|hunts))\//;

/** Where the bundles of a sandbox lie, made by whichever process comes first. */
async function bundlesOf(sandbox) {
  const made = join(sandbox, 'bundles');
  if (existsSync(made)) return made;
  const making = mkdtempSync(join(sandbox, 'bundling-'));
  const { metafile } = await bundle(
    testFiles().bundled.filter((file) => OF_THE_CORE.test(file)),
    making,
    {
      format: 'cjs',
      outExtension: { '.js': '.cjs' },
      metafile: true,
    },
  );
  const mutated = JSON.parse(process.env.MUTANT_FILES);
  for (const [file, { inputs }] of Object.entries(metafile.outputs))
    if (file.endsWith('.test.cjs') && !mutated.some((each) => inputs[each])) rmSync(file);
  try {
    renameSync(making, made);
  } catch {
    // The other process was quicker.
  }
  return made;
}

/** Tests of a block, each with what runs before and after it. */
function* testsIn(block, before = [], after = [], names = []) {
  const hooks = (type) => block.hooks.filter((hook) => hook.type === type).map(({ fn }) => fn);
  const once = hooks('beforeAll').map((fn) => {
    let done;
    return () => (done ??= call(fn));
  });
  const [first, last] = [
    [...before, ...once, ...hooks('beforeEach')],
    [...hooks('afterEach'), ...after],
  ];
  for (const child of block.children) {
    if (child.mode === 'skip' || child.mode === 'todo') continue;
    const path = [...names, child.name];
    if (child.type === 'describeBlock') yield* testsIn(child, first, last, path);
    else yield { name: path.join(' '), run: [...first, child.fn, ...last] };
  }
}

const call = async (fn) =>
  fn.length > 0 ? new Promise((done, fail) => fn((why) => (why ? fail(why) : done()))) : fn();

class MutantRunner {
  #world = (globalThis.__stryker__ ??= {});
  #files = [];
  /** How long a test takes, in milliseconds, by its name; as it was in the last run until it is known. */
  #times = new Map(existsSync(TIMES) ? Object.entries(JSON.parse(readFileSync(TIMES, 'utf8'))) : []);

  capabilities() {
    return { reloadEnvironment: true };
  }

  async init() {
    const sandbox = process.cwd();
    const bundles = await bundlesOf(sandbox);
    this.#files = readdirSync(bundles, { recursive: true })
      .filter((file) => file.endsWith('.test.cjs'))
      .map((file) => {
        const path = resolve(bundles, file);
        const source = `(function (require, module, exports) {${readFileSync(path, 'utf8')}\n})`;
        const script = new Script(source, { filename: path });
        return { file: file.replace(/\.cjs$/, '.ts'), script, require: createRequire(join(sandbox, 'package.json')) };
      });
    this.#evaluate({
      ...this.#files[0],
      script: new Script(
        `(function (require, module, exports) {${readFileSync(join(bundles, 'tests/properties.cjs'), 'utf8')}\n})`,
      ),
    });
  }

  #evaluate({ script, require }) {
    const made = { exports: {} };
    script.runInThisContext()(require, made, made.exports);
  }

  /** @returns the tests of a file, as they are after it was evaluated anew */
  #load(file) {
    circus.resetState();
    this.#evaluate(file);
    const seen = new Map();
    return [...testsIn(circus.getState().rootDescribeBlock)].map((each) => {
      const id = `${file.file} ${each.name}`;
      const times = (seen.get(id) ?? 0) + 1;
      seen.set(id, times);
      return { ...each, id: times > 1 ? `${id} (${times})` : id };
    });
  }

  async #run({ id, name, run }, fileName) {
    const start = performance.now();
    const result = { id, name, fileName: resolve(fileName), startPosition: undefined };
    try {
      for (const fn of run) await call(fn);
      return { ...result, status: TestStatus.Success, timeSpentMs: performance.now() - start };
    } catch (problem) {
      const failureMessage = String(problem?.message ?? problem);
      return { ...result, status: TestStatus.Failed, failureMessage, timeSpentMs: performance.now() - start };
    }
  }

  async dryRun() {
    const world = this.#world;
    const tests = [];
    world.activeMutant = undefined;
    world.mutantCoverage = { static: {}, perTest: {} };
    for (const file of this.#files) {
      world.currentTestId = undefined;
      let loaded;
      try {
        loaded = this.#load(file);
      } catch (problem) {
        return { status: DryRunStatus.Error, errorMessage: `${file.file}: ${problem.stack}` };
      }
      for (const each of loaded) {
        if (this.#times.get(each.id) > SLOWEST) continue;
        world.currentTestId = each.id;
        const result = await this.#run(each, file.file);
        this.#times.set(each.id, Math.round(result.timeSpentMs));
        if (result.status === TestStatus.Failed || result.timeSpentMs <= SLOWEST) tests.push(result);
        else delete world.mutantCoverage.perTest[each.id];
      }
    }
    world.currentTestId = undefined;
    writeFileSync(TIMES, JSON.stringify(Object.fromEntries(this.#times)));
    return { status: DryRunStatus.Complete, tests, mutantCoverage: world.mutantCoverage };
  }

  async mutantRun({ activeMutant, testFilter, hitLimit, mutantActivation, sandboxFileName }) {
    const { fileName, location, replacement } = activeMutant;
    if (!drawn(ONE_IN, placeOf(fileName, location), replacement))
      return { status: MutantRunStatus.Survived, nrOfTests: 0 };
    const world = this.#world;
    world.hitCount = hitLimit === undefined ? undefined : 0;
    world.hitLimit = hitLimit;
    world.mutantCoverage = undefined;
    const tests = [];
    const wanted = testFilter && new Set(testFilter);
    let spent = 0;
    for (const file of this.#nearest(sandboxFileName, wanted)) {
      world.activeMutant = mutantActivation === 'static' ? activeMutant.id : undefined;
      const start = performance.now();
      try {
        const loaded = this.#load(file);
        world.activeMutant = activeMutant.id;
        spent += performance.now() - start;
        for (const each of loaded) {
          const time = this.#times.get(each.id) ?? 0;
          if ((wanted && !wanted.has(each.id)) || time > SLOWEST) continue;
          const result = await this.#run(each, file.file);
          tests.push(result);
          spent += Math.min(result.timeSpentMs, 2 * time + 5);
          if (result.status === TestStatus.Failed || spent > ENOUGH) break;
        }
      } catch (problem) {
        tests.push({
          id: file.file,
          name: file.file,
          status: TestStatus.Failed,
          failureMessage: String(problem?.message ?? problem),
          timeSpentMs: 0,
        });
      }
      if (tests.at(-1)?.status === TestStatus.Failed || spent > ENOUGH) break;
    }
    world.activeMutant = undefined;
    const late = determineHitLimitReached(world.hitCount, hitLimit);
    return toMutantRunResult(late ?? { status: DryRunStatus.Complete, tests }, false);
  }

  /** Files with tests that are wanted: those of the fault's own folder first, of these and of the others the quickest. */
  #nearest(sandboxFileName, wanted) {
    const folder = dirname(sandboxFileName.replace(`${process.cwd()}/`, ''));
    const cost = new Map();
    for (const id of wanted ?? this.#times.keys()) {
      const file = id.slice(0, id.indexOf('.test.ts') + 8);
      cost.set(file, (cost.get(file) ?? 0) + (this.#times.get(id) ?? 0));
    }
    const far = (file) => (dirname(file) === folder ? 0 : 1);
    return this.#files
      .filter(({ file }) => cost.has(file))
      .sort((a, b) => far(a.file) - far(b.file) || cost.get(a.file) - cost.get(b.file));
  }

  async dispose() {}
}

export const strykerPlugins = [declareClassPlugin(PluginKind.TestRunner, 'warm', MutantRunner)];
