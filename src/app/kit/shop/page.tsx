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
import { page as text } from './texts';

export const metadata: Metadata = { title: text.forTheRepairShop };
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
  const recordings = recordingsOf(loadMeasurements(store, rig.id, of?.line), rig.id);
  return (
    <Paper
      title={text.forTheRepairShopOn(unit)}
      note={
        <>
          {text.foundOn(rig.name)}
          <LocalTime at={at} />
        </>
      }
      back={
        of && document
          ? { href: `/noise?rig=${rig.id}&tab=hunt`, label: text.backToTheHunt }
          : { href: '/kit', label: text.backToTheKit }
      }
    >
      {hunt && of ? (
        <Proof
          saved={hunt}
          suspect={of.suspect}
          line={document?.lines.find(({ id }) => id === of.line)?.name ?? of.line}
        />
      ) : (
        <p>{text.noHuntStandsBehind}</p>
      )}
      <p>{text.neverOpenedHereWhat}</p>
      <ShopForm saved={saved} items={items} recordings={recordings} />
    </Paper>
  );
});

/** What was kept of a line, or of the whole rig, newest first; with where its sound is. */
const recordingsOf = (kept: readonly KeptMeasurement[], rig: string) =>
  kept.toReversed().map(({ id, at, name, measurement, audio }) => ({
    id,
    told: text.recordedAt(at.slice(0, 10), at.slice(11, 16), name, measurement.reading.rmsDbfs),
    ...(audio && { sound: `/api/rigs/${rig}/measurements/${id}/audio` }),
  }));

/** What a hunt proves of the unit. */
function Proof({ saved: { hunt }, suspect, line }: { saved: SavedHunt; suspect: string; line: string }) {
  const { alone, without, left, proven } = shopCase(hunt, suspect);
  const level = (step: HuntStep | undefined, name: (typeof COMPONENT_NAMES)[number]) => {
    const dbfs = step && ofPower(step.components[name]);
    return dbfs === undefined ? text.notMeasured : dbfs <= -130 ? text.nothing : quantity(dbfs, 'dBFS');
  };
  return (
    <>
      <h2>{text.whatProves}</h2>
      <p>
        {proven
          ? text.itMakesTheNoise(left.join(', ') || text.nothingElse, line)
          : text.notProvenYet(left.join(', ') || text.noneMeasured)}
      </p>
      <table>
        <thead>
          <tr>
            <th scope="col">{text.heard}</th>
            <th scope="col">{text.withIt}</th>
            <th scope="col">{text.withoutIt}</th>
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
        alone && <p>{text.noSpectrumThisHunt}</p>
      )}
      <HuntSteps hunt={hunt} />
    </>
  );
}
