import { parseArgs } from 'node:util';
import loadHighs from 'highs';
import { parseKit } from '@/core/kit';
import { highsSolver, planRig } from '@/core/plan';
import { documentFrom, readFrom, refuse } from './terminal';

const USAGE = 'npm run -s plan -- RIG.json [KIT.json] [--seconds N] [--only-kit]';

function given() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: { seconds: { type: 'string', default: '10' }, 'only-kit': { type: 'boolean', default: false } },
    });
  } catch (error) {
    refuse('usage', `${(error as Error).message}; ${USAGE}`);
  }
}

const { values, positionals } = given();
const [rig, kit] = positionals;
const seconds = Number(values.seconds);
if (!(seconds > 0 && seconds <= 3600)) refuse('usage', `--seconds takes a number above 0, 3600 at most; ${USAGE}`);
const document = documentFrom(rig, USAGE);
const items = kit ? readFrom(kit, parseKit, USAGE).items : [];
void loadHighs().then((highs) => {
  const plan = planRig(
    { document, kit: items, seconds, onlyKit: values['only-kit'] },
    { solver: highsSolver(highs), clock: () => performance.now() / 1000 },
  );
  process.stdout.write(`${JSON.stringify(plan, null, 2)}\n`);
});
