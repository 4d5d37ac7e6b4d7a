import type { Metadata } from 'next';
import { LINKS, SOURCES } from '@/core/gear';
import { Paper } from '@/ui/shell/Paper';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.howToTypeLines };

const EXAMPLES: readonly (readonly [typed: string, means: string])[] = [
  [text.ribbon10MPatch12, text.aRibbonOverACable],
  [text.examplePair, text.twoLinesPairL],
  [text.exampleSeries, text.guest1ToGuest4],
  [text.keyboardKeysDi15M, text.intoTheFirstInlet],
  [text.dynamic30FtDesk9, text.feetAreTakenAsMetres],
];

const RULES = [
  text.oneThingLeads,
  text.yourKitComesFirstThen,
  text.aLengthIsACable,
  text.aNumberAndX,
  text.aDeviceByAWord,
  text.severalLinesAtOnce,
  text.whatIsNotUnderstood,
];

/** The grammar of typed lines, and every word that it knows. */
export default function TypingPage() {
  return (
    <Paper title={text.howToTypeLines} note={text.inRigAtTheFoot} back={{ href: '/rig', label: text.backToTheRig }}>
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
      <h2>{text.rules}</h2>
      <ul>
        {RULES.map((rule) => (
          <li key={rule}>{rule}</li>
        ))}
      </ul>
      {(
        [
          [text.sources, SOURCES],
          [text.whatLiesBetween, LINKS],
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
