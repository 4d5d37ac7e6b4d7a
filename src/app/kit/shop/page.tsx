import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { KeptMeasurement } from '@/core/noise/kept';
import { COMPONENTS, COMPONENT_NAMES } from '@/core/noise/components';
import { shopCase, type HuntStep } from '@/core/noise/hunt';
import { ofPower } from '@/core/signal';
import { quantity } from '@/core/units/format';
import { loadHunt, loadMeasurements, type SavedHunt } from '@/store/noise';
import { loadKit } from '@/store/kit';
import { loadRig } from '@/store/rigs';
import { loadShopRecord } from '@/store/shop';
import { LocalTime } from '@/ui/shell/LocalTime';
import { Paper } from '@/ui/shell/Paper';
import { HuntSteps } from '../../noise/HuntSteps';
import { onStore } from '../../onStore';
import { PairSpectrum } from './PairSpectrum';
import { ShopForm } from './ShopForm';

export const metadata: Metadata = { title: 'For the repair shop' };
export const dynamic = 'force-dynamic';

/** The page that goes to the repair shop with a unit, and what came of it. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ record?: string }> }) => {
  const { record: number = '' } = await searchParams;
  const saved = /^\d{1,12}$/.test(number) ? loadShopRecord(store, Number(number)) : undefined;
  if (!saved) notFound();
  const { record, at } = saved;
  const { unit, rig, hunt: of } = record;
  const hunt = of && loadHunt(store, rig.id, of.id);
  const document = loadRig(store, rig.id)?.document;
  const items = loadKit(store).map(({ id, name }) => ({ id, name }));
  const recordings = recordingsOf(loadMeasurements(store, rig.id), rig.id, of?.line);
  return (
    <Paper
      title={`For the repair shop: ${unit}`}
      note={
        <>
          Found on {rig.name}, <LocalTime at={at} />
        </>
      }
      back={
        of && document
          ? { href: `/noise?rig=${rig.id}&tab=hunt`, label: 'Back to the hunt' }
          : { href: '/kit', label: 'Back to the kit' }
      }
    >
      {hunt && of ? (
        <Proof
          saved={hunt}
          suspect={of.suspect}
          line={document?.lines.find(({ id }) => id === of.line)?.name ?? of.line}
        />
      ) : (
        <p>No hunt stands behind this record: describe below what was heard, and what was connected.</p>
      )}
      <p>
        Never opened here: what is inside a mains unit is for the shop. Protective earth stays on; a unit that tingles
        or whose earth is in doubt is out of use until it comes back.
      </p>
      <ShopForm saved={saved} items={items} recordings={recordings} />
    </Paper>
  );
});

/** What was kept of a line, or of the whole rig, newest first; with where its sound is. */
const recordingsOf = (kept: readonly KeptMeasurement[], rig: string, line: string | undefined) =>
  kept
    .filter((each) => line === undefined || each.line === line)
    .toReversed()
    .map(({ id, at, name, measurement, audio }) => ({
      id,
      told: `${at.slice(0, 10)} ${at.slice(11, 16)} UTC, ${name}, ${quantity(measurement.reading.rmsDbfs, 'dBFS')}`,
      ...(audio && { sound: `/api/rigs/${rig}/measurements/${id}/audio` }),
    }));

/** What a hunt proves of the unit. */
function Proof({ saved: { hunt }, suspect, line }: { saved: SavedHunt; suspect: string; line: string }) {
  const { alone, without, left, proven } = shopCase(hunt, suspect);
  const level = (step: HuntStep | undefined, name: (typeof COMPONENT_NAMES)[number]) => {
    const dbfs = step && ofPower(step.components[name]);
    return dbfs === undefined ? 'not measured' : dbfs <= -130 ? 'nothing' : quantity(dbfs, 'dBFS');
  };
  return (
    <>
      <h2>What proves it</h2>
      <p>
        {proven
          ? `It makes the noise with everything unplugged that can be. Left connected: ${left.join(', ') || 'nothing else'}. Listened to on ${line}.`
          : `Not proven yet: it was never measured with everything else unplugged, with it and without it. The fewest that were on beside it: ${left.join(', ') || 'none measured'}. Measure that in the hunt before it goes to the shop.`}
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">Heard</th>
            <th scope="col">with it</th>
            <th scope="col">without it</th>
          </tr>
        </thead>
        <tbody>
          {COMPONENT_NAMES.map((name) => (
            <tr key={name}>
              <th scope="row">{COMPONENTS[name]}</th>
              <td>{level(alone, name)}</td>
              <td>{level(without, name)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {alone?.spectrum ? (
        <PairSpectrum heard={alone.spectrum} silent={without?.spectrum} />
      ) : (
        alone && <p>No spectrum: this hunt was measured before spectra were kept.</p>
      )}
      <HuntSteps hunt={hunt} />
    </>
  );
}
