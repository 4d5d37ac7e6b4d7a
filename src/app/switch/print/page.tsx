import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { afterSteps, stepWords, type Session, type SheetRig, type Step } from '@/core/runsheet';
import { loadRig } from '@/store/rigs';
import { loadSwitching } from '@/store/switching';
import { followed } from '@/threads/sheets';
import { Paper } from '@/ui/shell/Paper';
import { secondsText } from '../durations';
import { onStore } from '../../onStore';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.runSheet };
export const dynamic = 'force-dynamic';

const KINDS = { 'set-up': text.setUp, 'change-over': text.changeOver, strike: text.strike } as const;

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
      title={`${session.aim ? KINDS[session.aim.kind] : text.noSheetYet}: ${saved.document.name}`}
      note={text.revisionDoneToDo(revision, session.done.length, session.steps.length)}
      back={{ href: `/switch?rig=${id}`, label: text.backToTheSheet }}
    >
      {session.steps.length === 0 && <p>{text.noRunSheetIsOpen}</p>}
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
            {name} {until === 'settled' ? text.hasSettled : text.isDischarged}
            {text.calculated} {wait.computed === undefined ? '–' : secondsText(wait.computed)}
            {text.rule} {wait.school === undefined ? '–' : secondsText(wait.school)}
            {text.usingThe} {wait.counts === 'computed' ? text.calculatedOne : text.isRule}
          </div>
        ))}
        {caution && <div>{text.caution(caution)}</div>}
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
    else runs.push({ place: step.place ?? text.anyPosition, steps: [step], first: n });
  });
  return runs;
}
