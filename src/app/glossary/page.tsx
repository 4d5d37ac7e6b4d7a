import type { Metadata } from 'next';
import { TERMS } from '@/ui/help/terms';
import { Paper } from '@/ui/shell/Paper';
import { worded } from '@/core/units/conventions';
import { page as texts } from './texts';

export const metadata: Metadata = { title: texts.glossary };

/** Every word of the trade and of this application, to read and to print. */
export default function GlossaryPage() {
  return (
    <Paper title={texts.glossary} note={texts.wordsOfTheTrade} back={{ href: '/rig', label: texts.backToTheRig }}>
      <dl>
        {TERMS.toSorted((a, b) => a.term.localeCompare(b.term)).map(({ id, term, text }) => (
          <div key={id} id={id}>
            <dt>
              <strong>{worded(term)}</strong>
            </dt>
            <dd>{worded(text)}</dd>
          </div>
        ))}
      </dl>
    </Paper>
  );
}
