import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { huntView, WAYS } from '@/core/noise/hunt';
import { UNIT_KINDS } from '@/core/rig/arrangement';
import { loadHunt } from '@/store/noise';
import { loadRig } from '@/store/rigs';
import { LocalTime } from '@/ui/shell/LocalTime';
import { Paper } from '@/ui/shell/Paper';
import { AccountList } from '../AccountList';
import { HuntSteps } from '../HuntSteps';
import { onStore } from '../../onStore';
import { digits } from '@/core/units/format';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.noiseHunt };
export const dynamic = 'force-dynamic';

/** A hunt as a page to share: who was suspected, what was measured, who it was, what usually mends it. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string; hunt?: string }> }) => {
  const { rig = '', hunt: number = '' } = await searchParams;
  const rigSaved = loadRig(store, rig);
  const saved = /^\d{1,12}$/.test(number) ? loadHunt(store, rig, Number(number)) : undefined;
  if (!rigSaved || !saved) notFound();
  const { hunt, begun } = saved;
  const view = huntView(hunt);
  const line = rigSaved.document.lines.find(({ id }) => id === hunt.line)?.name ?? hunt.line;
  return (
    <Paper
      title={text.noiseHuntOn(line)}
      note={
        <>
          {text.begun(rigSaved.document.name)}
          <LocalTime at={begun} />
          {text.wayAndSteps(WAYS[hunt.way].toLowerCase(), hunt.steps.length)}
        </>
      }
      back={{ href: `/noise?rig=${rig}`, label: text.backToTheNoise }}
    >
      {view.accounts.length > 0 ? (
        <AccountList accounts={view.accounts} open={view.open} suspects={hunt.suspects} sine="-3" done={!view.next} />
      ) : (
        <p>{text.noCulpritFoundYet}</p>
      )}
      {view.changes.length > 0 && <Changes view={view} hunt={hunt} />}
      <HuntSteps hunt={hunt} />
      <h2>{text.suspects}</h2>
      <ul>
        {hunt.suspects.map(({ id, name, kind, outlet, fixed }) => (
          <li key={id}>
            {name}: {UNIT_KINDS[kind]}
            {outlet && `, ${outlet}`}
            {fixed && text.alwaysOn}
          </li>
        ))}
      </ul>
    </Paper>
  );
});

/** A change that is told, in dB. */
const TOLD = 3;

function Changes({
  view,
  hunt,
}: {
  view: ReturnType<typeof huntView>;
  hunt: { suspects: { id: string; name: string }[] };
}) {
  const told = view.changes.filter(({ from, to }) => Math.abs(Math.max(from, -130) - Math.max(to, -130)) > TOLD);
  if (told.length === 0) return null;
  const level = (dbfs: number) => (dbfs <= -130 ? text.nothing : text.dbfs(digits(dbfs, 1)));
  return (
    <>
      <h2>{text.switchedOneAtATime}</h2>
      <ul>
        {told.map(({ suspect, component, from, to }) => (
          <li key={`${suspect} ${component}`}>
            {hunt.suspects.find(({ id }) => id === suspect)?.name}
            {text.fromTo(component, level(from), level(to))}
          </li>
        ))}
      </ul>
    </>
  );
}
