import { CABLE_CONNECTORS, cableTable, cableTest, ObservationError, readObservations, reportOf } from '@/core/testing';
import { parsedJson } from '@/core/rig/refusals';
import { readFrom, refuse } from './terminal';

const USAGE = 'npm run -s cable-test -- CONNECTOR OBSERVATIONS.json';
const [named, observed] = process.argv.slice(2);
const connector =
  CABLE_CONNECTORS.find((each) => each === named) ??
  refuse(
    'no-connector',
    `there is no cable with ${named ?? 'no connector'}; use one of ${CABLE_CONNECTORS.join(', ')}; ${USAGE}`,
  );
const observations = readFrom(observed, parsedJson, USAGE);
try {
  const found = cableTest(cableTable(connector), readObservations(observations));
  const { line, cautions: _none, ...report } = reportOf(connector, found);
  process.stdout.write(
    `${JSON.stringify({ connector: line, tested: found.tested, bad: found.bad, ...report }, null, 2)}\n`,
  );
} catch (error) {
  if (error instanceof ObservationError) refuse('bad-observation', `${error.path}: ${error.message}`);
  throw error;
}
