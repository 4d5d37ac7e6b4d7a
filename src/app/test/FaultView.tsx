'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState, type RefObject } from 'react';
import { rigPath, type RigDocument, type RigLine } from '@/core/rig';
import {
  afterActing,
  SYMPTOMS,
  type ActNow,
  type Experience,
  type OwnPriors,
  type Question,
  type Repair,
  type Symptom,
} from '@/core/testing';
import { ask } from '@/ui/shell/ask';
import { ActCard } from './ActCard';
import { AnsweredList } from './AnsweredList';
import { AnswerGrid } from './AnswerGrid';
import { AtHand } from './AtHand';
import { LargeHeading } from './LargeHeading';
import { NotWorkedOut } from './NotWorkedOut';
import { PriorsButton } from './PriorsButton';
import { NumbersForm } from './NumbersForm';
import { SituationAlerts } from './SituationAlerts';
import { SolvedCard } from './SolvedCard';
import { actOf, keyOf, questionOf } from './shown';
import { useTakesFocus } from './useTakesFocus';
import { useSettled } from './useSettled';
import { begun, type useFault } from './useFault';
import { about, alsoFed, endsBefore, WHERE } from './words';
import { faultView as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  line: RigLine;
  state: ReturnType<typeof useFault>;
  who: string;
  missing: string[];
  onMissing: (to: string[]) => void;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
  /** What helped counts from now on, or no longer. */
  onLearned: (change: (from: Repair[]) => Repair[]) => void;
  experience: Experience;
  onPriors: (to: OwnPriors) => void;
}

/** One question at a time, until something is worth doing; then that, and whether it helped. */
export function FaultView(props: Props) {
  const { rig, document, line, state, who, missing, onMissing, onChange, onTold, onLearned, experience } = props;
  const { fault, setFault, observe, found, situation, failed, busy, again } = state;
  const [sending, setSending] = useState(false);
  const [problem, setProblem] = useState('');
  const shared = alsoFed(rigPath(document, line.id)?.line.switch);
  const act = actOf(found, fault);
  const question = found && !act ? questionOf(found, fault) : undefined;
  const shown = act ? act.id : question ? keyOf(question) : '';
  const settled = useSettled(shown);
  const heading = useTakesFocus(shown);

  const helped = async (done: ActNow, helps: boolean) => {
    const likeliest = found?.left.find((each) => each.act.id === done.id);
    if (!likeliest) return;
    setSending(true);
    const { failed: refused, body } = await ask<{ id: number; text: string }>(`/api/rigs/${rig}/repairs`, {
      method: 'POST',
      json: { line: line.id, who, act: done.text, what: likeliest.what, helped: helps, counts: likeliest.counts },
    });
    setSending(false);
    setProblem(refused ?? '');
    if (!body) return;
    onTold(texts.writtenInTheLog(body.text));
    if (helps) {
      setFault({
        ...fault,
        acting: undefined,
        solved: { act: done.id, what: likeliest.what, repair: body.id, counts: likeliest.counts },
      });
      onLearned((from) => [...from, likeliest.counts]);
    } else {
      const seen = afterActing(done);
      setFault({
        ...fault,
        acting: undefined,
        on: undefined,
        observations: seen ? [...fault.observations, seen] : fault.observations,
      });
    }
  };

  if (fault.solved)
    return (
      <SolvedCard
        document={document}
        line={line}
        solved={fault.solved}
        onChange={onChange}
        onTold={onTold}
        rig={rig}
        onAgain={() => setFault({ observations: [], cannot: [] })}
        onTakenBack={() => {
          onLearned((from) => from.filter((each) => each !== from.findLast((one) => same(one, fault.solved!.counts))));
          setFault({ ...fault, solved: undefined });
        }}
        onEnd={(end) => {
          const { counts } = fault.solved!;
          onLearned((from) => [
            ...from.filter((each) => each !== from.findLast((one) => same(one, counts))),
            { ...counts, end },
          ]);
          setFault({ ...fault, solved: { ...fault.solved!, counts: { ...counts, end } } });
        }}
      />
    );
  return (
    <Box sx={{ py: 2, maxWidth: 760 }}>
      <Typography color="textSecondary" role="status">
        {fault.observations.length === 0 ? texts.noSoundOrABad : texts.faultOn}
        <strong>{line.name}</strong>
        {fault.observations.length > 0 && texts.soFar(fault.observations.length)}
        {busy && texts.thinking}
      </Typography>
      <NotWorkedOut failed={failed} onAgain={again} />
      {situation && (
        <SituationAlerts
          rig={rig}
          line={line.id}
          situation={situation}
          pulled={fault.pulled ?? false}
          onPulled={(pulled) => setFault({ ...fault, pulled })}
        />
      )}
      {fault.came && fault.observations.length > 0 && (
        <Alert severity="info" sx={{ my: 1 }}>
          {texts.answersFromBefore(SYMPTOMS[fault.came as Symptom])}
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.5 }}>
            <Button variant="outlined" onClick={() => setFault(begun(fault.came))} sx={{ minHeight: 44 }}>
              {texts.beginWithThat}
            </Button>
            <Button onClick={() => setFault({ ...fault, came: undefined })} sx={{ minHeight: 44 }}>
              {texts.keepTheAnswers}
            </Button>
          </Box>
        </Alert>
      )}
      {problem && (
        <Alert severity="error" sx={{ my: 1 }} onClose={() => setProblem('')}>
          {texts.notWrittenDown(problem)}
        </Alert>
      )}
      {act && (
        <ActCard
          act={act}
          before={endsBefore(found?.left.find((each) => each.act.id === act.id)?.counts.item, experience)}
          heading={heading}
          shared={shared}
          busy={busy || sending || !settled}
          onHelped={() => void helped(act, true)}
          onNoHelp={() => void helped(act, false)}
          onBack={
            found!.next || found!.others.length ? () => setFault({ ...fault, acting: undefined, on: true }) : undefined
          }
        />
      )}
      {question && (
        <Asked
          question={question}
          typed={fault.typed?.of === keyOf(question) ? fault.typed.values : undefined}
          onTyped={(values) => setFault({ ...fault, typed: { of: keyOf(question), values } })}
          heading={heading}
          shared={shared}
          busy={busy || !settled}
          others={[...(found!.next ? [found!.next] : []), ...found!.others].filter((each) => each !== question)}
          onAnswer={(seen) => observe({ instrument: question.instrument, at: question.at, seen })}
          onOther={(chosen) => setFault({ ...fault, chosen: keyOf(chosen) })}
          onCannot={() => setFault({ ...fault, chosen: undefined, cannot: [...fault.cannot, keyOf(question)] })}
        />
      )}
      {found && !act && !question && <Typography sx={{ my: 2 }}>{texts.nothingIsLeftToAsk}</Typography>}
      <AnsweredList
        seen={found?.seen ?? []}
        onUndo={(n) =>
          setFault({
            ...fault,
            acting: undefined,
            chosen: undefined,
            on: undefined,
            observations: fault.observations.filter((_, each) => each !== n),
          })
        }
      />
      {fault.cannot.length > 0 && (
        <Button onClick={() => setFault({ ...fault, cannot: [] })} sx={{ mt: 1, minHeight: 44 }}>
          {texts.askAgainWhatICouldNotDo(fault.cannot.length)}
        </Button>
      )}
      <AtHand missing={missing} onMissing={onMissing} />
      <PriorsButton experience={experience} onPriors={props.onPriors} onTold={onTold} />
    </Box>
  );
}

const same = (a: Repair, b: Repair): boolean => a.class === b.class && a.type === b.type && a.item === b.item;

interface AskedProps {
  /** Who else hangs on the switch. */
  shared: string;
  heading: RefObject<HTMLHeadingElement | null>;
  question: Question;
  /** What is typed of a reading that is not taken yet. */
  typed?: Record<string, string>;
  onTyped: (to: Record<string, string>) => void;
  others: Question[];
  busy: boolean;
  onAnswer: (seen: string | Record<string, number>) => void;
  onOther: (question: Question) => void;
  onCannot: () => void;
}

function Asked({ question, typed, onTyped, heading, shared, others, busy, onAnswer, onOther, onCannot }: AskedProps) {
  const [anchor, setAnchor] = useState<HTMLElement>();
  const { ask: text, how, where, seconds, answers } = question;
  return (
    <Box component="section" aria-label={texts.question}>
      <LargeHeading ref={heading}>{text}</LargeHeading>
      <Typography color="textSecondary">
        {texts.about(how, about(seconds), WHERE[where])}
        {question.unplugs && shared}
      </Typography>
      <AnswerGrid answers={answers} onAnswer={onAnswer} busy={busy} />
      <NumbersForm
        key={keyOf(question)}
        numbers={question.numbers}
        typed={typed}
        onTyped={onTyped}
        onNumbers={onAnswer}
      />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button onClick={onCannot} disabled={busy} sx={{ minHeight: 44 }}>
          {texts.iCantDo}
        </Button>
        {others.length > 0 && (
          <Button
            onClick={(event) => setAnchor(event.currentTarget)}
            aria-haspopup="menu"
            aria-expanded={anchor !== undefined}
            sx={{ minHeight: 44 }}
          >
            {texts.lookAtSomethingElse}
          </Button>
        )}
        <Menu open={anchor !== undefined} anchorEl={anchor} onClose={() => setAnchor(undefined)}>
          {others.map((each) => (
            <MenuItem
              key={keyOf(each)}
              onClick={() => {
                setAnchor(undefined);
                onOther(each);
              }}
              sx={{ minHeight: 44, whiteSpace: 'normal', maxWidth: 520 }}
            >
              {each.ask} ({about(each.seconds)})
            </MenuItem>
          ))}
        </Menu>
      </Box>
    </Box>
  );
}
