import type { Metadata } from 'next';
import { TERMS } from '@/ui/help/terms';
import { Paper } from '@/ui/shell/Paper';
import { worded } from '@/core/units/conventions';

export const metadata: Metadata = { title: 'Glossary' };

/** Every word of the trade and of this application, to read and to print. */
export default function GlossaryPage() {
  return (
    <Paper
      title="Glossary"
      note="Words of the trade and of Inlet Check, from A to Z. ? opens it in every place."
      back={{ href: '/rig', label: 'Back to the rig' }}
    >
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
