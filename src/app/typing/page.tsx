import type { Metadata } from 'next';
import { LINKS, SOURCES } from '@/core/gear';
import { Paper } from '@/ui/shell/Paper';

export const metadata: Metadata = { title: 'How to type lines' };

const EXAMPLES: readonly (readonly [typed: string, means: string])[] = [
  ['ribbon > 10 m > patch 12 > desk 3', 'A ribbon over a cable of 10 m and patch point 12 into inlet 3 of the desk'],
  ['2 x small condenser "pair L/R" > bag 1-2', 'Two lines, pair L and pair R, into inlets 1 and 2'],
  ['4 x lav "Guest #" > desk 5-8', 'Guest 1 to Guest 4, one inlet each'],
  ['keyboard "Keys" > DI > 15 m > stream', 'Into the first inlet of the stream interface that is free'],
  ['dynamic > 30 ft > desk 9', 'Feet are taken as metres'],
];

const RULES = [
  'One thing leads to the next by > (or ->, or →): what makes the sound, what lies between, where it goes in.',
  'Your kit comes first, then the catalogue. The beginning of a word is enough. Where a word fits several, the likeliest is taken, and the others are one press away.',
  'A length is a cable with the plug that is needed. Between two that fit each other a cable is put in without being named.',
  'A number and x in front is as many lines. A name in quotes is theirs: # counts, L/R and left/right are the two of a pair.',
  'A device by a word of its name, then inlets: 3, 1-4, 1+3. Without a number, the first free one; without a device, the first free one of the rig.',
  'Several lines at once: on lines of their own (Shift Enter), or separated by semicolons.',
  'What is not understood is shown, and kept as a note on the line. Nothing changes until you add it, and Ctrl Z undoes it.',
];

/** The grammar of typed lines, and every word that it knows. */
export default function TypingPage() {
  return (
    <Paper
      title="How to type lines"
      note="In Rig, at the foot of the sheet. / puts the cursor there, Enter adds the lines."
      back={{ href: '/rig', label: 'Back to the rig' }}
    >
      <table>
        <tbody>
          {EXAMPLES.map(([typed, means]) => (
            <tr key={typed}>
              <td>
                <strong>{typed}</strong>
              </td>
              <td>{means}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>Rules</h2>
      <ul>
        {RULES.map((rule) => (
          <li key={rule}>{rule}</li>
        ))}
      </ul>
      {(
        [
          ['Sources', SOURCES],
          ['What lies between', LINKS],
        ] as const
      ).map(([title, kinds]) => (
        <section key={title}>
          <h2>{title}</h2>
          <table>
            <tbody>
              {kinds.map(({ kind, label, words = [] }) => (
                <tr key={kind}>
                  <td style={{ width: '40%' }}>{label}</td>
                  <td>{words.join(', ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      ))}
    </Paper>
  );
}
