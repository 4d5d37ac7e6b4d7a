import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { afterSteps, stepWords, type Session, type SheetRig, type Step } from '@/core/runsheet';
import { loadRig } from '@/store/rigs';
import { loadSwitching } from '@/store/switching';
import { followed } from '@/threads/sheets';
import { Paper } from '@/ui/shell/Paper';
import { secondsText } from '../durations';
import { onStore } from '../../onStore';

export const metadata: Metadata = { title: 'Run sheet' };
export const dynamic = 'force-dynamic';

const KINDS = { 'set-up': 'Set-up', 'change-over': 'Change-over', strike: 'Strike' } as const;

/** The sheet on paper: every step with a box to tick, by place. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig: id = '' } = await searchParams;
  const saved = loadRig(store, id);
  if (saved) await followed(store, id);
  const sheet = saved && loadSwitching(store, id);
  if (!sheet) notFound();
  const { rig, session, revision } = sheet;
  return (
    <Paper
      title={`${session.aim ? KINDS[session.aim.kind] : 'No sheet yet'}: ${saved.document.name}`}
      note={`Revision ${revision} · ${session.done.length} done · ${session.steps.length} to do.${session.steps.length ? ' Monitors and headphones stay down until the last step.' : ''}`}
      back={{ href: `/switch?rig=${id}`, label: 'Back to the sheet' }}
    >
      {session.steps.length === 0 && <p>No run sheet is open. Start one in Switch.</p>}
      {byPlace(session.steps).map(({ place, steps, first }, n) => (
        <section key={n}>
          <h2>{place}</h2>
          <table>
            <tbody>
              {steps.map((step, k) => (
                <StepRow
                  key={k}
                  rig={rig}
                  session={session}
                  step={step}
                  number={session.done.length + first + k + 1}
                  at={first + k}
                />
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </Paper>
  );
});

function StepRow(props: { rig: SheetRig; session: Session; step: Step; number: number; at: number }) {
  const { rig, session, step, number, at } = props;
  const { title, detail, look, caution } = stepWords(rig, afterSteps(rig, session.state, session.steps)[at], step);
  return (
    <tr>
      <td style={{ width: 28, fontSize: '1.1rem', lineHeight: 1 }}>☐</td>
      <td style={{ width: 30 }}>{number}</td>
      <td>
        <strong>{title}</strong>
        {step.action.do === 'wait' && `, ${secondsText(step.action.seconds)}`}
        {detail && <div>{detail}</div>}
        {step.reasons?.map(({ of, name, until, wait }) => (
          <div key={of}>
            {name} {until === 'settled' ? 'has settled' : 'is discharged'}: calculated{' '}
            {wait.computed === undefined ? '–' : secondsText(wait.computed)}, rule{' '}
            {wait.school === undefined ? '–' : secondsText(wait.school)}; using the{' '}
            {wait.counts === 'computed' ? 'calculated one' : 'rule'}
          </div>
        ))}
        {caution && <div>Caution: {caution}</div>}
      </td>
      <td style={{ width: '32%' }}>{look}</td>
    </tr>
  );
}

/** Runs of steps at one place; a wait belongs to where one stands. */
function byPlace(steps: readonly Step[]): { place: string; steps: Step[]; first: number }[] {
  const runs: { place: string; steps: Step[]; first: number }[] = [];
  steps.forEach((step, n) => {
    const run = runs.at(-1);
    if (run && (step.place === undefined || step.place === run.place)) run.steps.push(step);
    else runs.push({ place: step.place ?? 'Any position', steps: [step], first: n });
  });
  return runs;
}
