import { ribbon, quietRibbon, xlr, testedXlr, xlrIn, adapter, booster, isolator, blocker, trsPatch, xlrPatch, pad, splitter, short, open, swap, camera, trs, multicore, plugOn, supplyBox, comboIn, partyLine } from './parts';
import { line, shared, theme } from './situation';

const tapless = ribbon('none');
const tapped = ribbon('grounded');

export const ribbons = theme('ribbons', 'Passive ribbons', [
  ['off', 'Ribbon, tap unknown, feed off', line(ribbon(), xlr(10), xlrIn()), 'Clear', [], 'No feed, no harm.', 'common practice'],
  ['unknown', 'Ribbon, tap unknown, 48 V', line(ribbon(), xlr(10), xlrIn('P48')), 'Stop', ['ribbon-fed'], 'If the tap is on pin 1, 7 mA flow in each half of its winding.', 'formula: 48 V over 6.9 kΩ'],
  ['none', 'Ribbon without a tap, tested cable, 48 V', line(tapless, testedXlr(10), xlrIn('P48')), 'Watch', ['ribbon-fed'], 'No current while both legs are equal, and one dead cable from harm.', 'common practice'],
  ['none-untested', 'Ribbon without a tap, untested cable, 48 V', line(tapless, xlr(10), xlrIn('P48')), 'Watch', ['ribbon-fed'], 'The untested cable is named, and it stays Watch.', 'common practice'],
  ['none-faulty', 'Ribbon without a tap, pin 2 shorted to 1, 48 V', line(tapless, xlr(10, short('2', '1')), xlrIn('P48')), 'Stop', ['element-direct-current'], 'The short sends 7 mA through the winding.', 'formula: 48 V over 6.8 kΩ'],
  ['none-patch', 'Ribbon without a tap over a TRS patch point, 48 V', line(tapless, testedXlr(10), trsPatch, testedXlr(10), xlrIn('P48')), 'Stop', ['ribbon-fed', 'exposed-patch'], 'A TRS plug on its way in is the fault.', 'contact order of TRS plugs, common practice'],
  ['none-trs-lead', 'Ribbon without a tap over XLR-to-TRS, TRS lead, TRS-to-XLR, 48 V', line(tapless, adapter('xlr-to-trs'), trs(3), adapter('trs-to-xlr'), xlrIn('P48')), 'Stop', ['ribbon-fed', 'exposed-patch'], 'The same hazard as a patch point.', 'contact order of TRS plugs, common practice'],
  ['tapped', 'Ribbon with its tap on pin 1, 48 V', line(tapped, testedXlr(10), xlrIn('P48')), 'Stop', ['element-direct-current'], 'The tap shorts the feed through both halves; the first inequality kicks the ribbon.', 'formula: electrical.md'],
  ['tapped-off', 'Ribbon with its tap on pin 1, feed off', line(tapped, xlr(10), xlrIn()), 'Clear', [], 'Without a feed the tap does nothing.', 'common practice'],
  ['tapped-p12', 'Ribbon with its tap on pin 1, 12 V', line(tapped, xlr(10), xlrIn('P12')), 'Stop', ['element-direct-current'], '12 V through 680 Ω are more current still.', 'formula: 12 V over 780 Ω'],
  ['never', 'Ribbon without a tap, 48 V, school: never', line(tapless, testedXlr(10), xlrIn('P48')), 'Stop', ['ribbon-fed'], 'The school lets no ribbon see phantom.', 'common practice', { ribbonFeed: 'never' }],
  ['trust', 'Ribbon whose maker says phantom is safe, 48 V, school: trust the maker', line(ribbon('unknown', 'safe'), testedXlr(10), xlrIn('P48')), 'Clear', [], 'The maker knows whether there is a tap.', 'common practice', { ribbonFeed: 'trust-maker' }],
  ['trust-tapped', 'The same, but the tap is known to be on pin 1', line(ribbon('grounded', 'safe'), testedXlr(10), xlrIn('P48')), 'Stop', ['element-direct-current'], 'What flows flows, whoever says otherwise.', 'formula: the operating point', { ribbonFeed: 'trust-maker' }],
  ['trust-silent', 'Ribbon whose maker says nothing, school: trust the maker', line(tapless, testedXlr(10), xlrIn('P48')), 'Watch', ['ribbon-fed'], 'Nobody vouches for it.', 'common practice', { ribbonFeed: 'trust-maker' }],
  ['harmful', 'Ribbon whose maker says no phantom, 48 V', line(ribbon('none', 'harmful'), testedXlr(10), xlrIn('P48')), 'Stop', ['ribbon-fed'], 'The maker says no.', 'common practice'],
  ['isolator', 'Ribbon behind an isolating transformer, 48 V', line(ribbon(), isolator, xlr(10), xlrIn('P48')), 'Clear', [], 'The transformer keeps the feed away.', 'common practice'],
  ['blocker', 'Ribbon behind a phantom blocker, 48 V', line(ribbon(), blocker, xlr(10), xlrIn('P48')), 'Clear', [], 'Its capacitors keep the feed away.', 'formula: no DC through a capacitor'],
  ['booster', 'Ribbon over a booster, 48 V', line(quietRibbon, booster, xlr(10), xlrIn('P48')), 'Clear', [], 'The booster takes the phantom for itself.', 'common practice'],
  ['pad-blocks', 'Ribbon over a pad that blocks phantom', line(ribbon(), xlr(5), pad(10, 'blocks'), xlrIn('P48')), 'Watch', ['loaded', 'gain-short'], 'The feed is kept away; the pad itself costs a ribbon the level it does not have.', 'formula: no DC through a capacitor'],
  ['pad-passes', 'Ribbon over a pad that passes phantom', line(ribbon(), xlr(5), pad(10), xlrIn('P48')), 'Stop', ['ribbon-fed', 'gain-short'], 'A resistive pad keeps nothing away.', 'formula: Ohm'],
  ['supply-box', 'Ribbon behind a supply box at 48 V', line(ribbon(), xlr(5), supplyBox(), xlrIn()), 'Stop', ['ribbon-fed'], 'A supply box is a feed.', 'common practice'],
  ['t12', 'Ribbon on T12', line(tapless, testedXlr(10), xlrIn('T12')), 'Stop', ['element-direct-current'], '20 mA through the winding.', 'formula: 12 V over 560 Ω'],
  ['open-leg', 'Ribbon, pin 3 open, 48 V', line(tapless, xlr(10, open('3')), xlrIn('P48')), 'Stop', ['ribbon-fed'], 'A bad cable on a fed ribbon: Stop, and it is silent too.', 'common practice'],
  ['swapped', 'Ribbon, pins 1 and 3 swapped, 48 V', line(tapless, xlr(10, swap('1', '3')), xlrIn('P48')), 'Stop', ['element-direct-current'], 'The swap grounds one end of the winding.', 'formula: the operating point'],
  ['swapped-off', 'Ribbon, pins 1 and 3 swapped, feed off', line(tapless, xlr(10, swap('1', '3')), xlrIn()), 'Watch', ['cable-fault'], 'Harmless until somebody presses 48 V.', 'common practice'],
  ['quiet', 'Ribbon on quiet strings into 60 dB of gain', line(quietRibbon, xlr(10), xlrIn()), 'Watch', ['gain-short'], 'The inlet runs out of gain.', 'formula: level plan'],
  ['camera', 'Ribbon on a camera by adapter, plug-in power on', line(tapless, xlr(3), adapter('xlr-to-mini-both'), camera()), 'Stop', ['element-direct-current'], 'Plug-in power drives a milliamp through the ribbon transformer.', 'formula: 3 V over 2.4 kΩ'],
  ['camera-off', 'The same, plug-in power off', line(tapless, xlr(3), adapter('xlr-to-mini-both'), camera('off')), 'Clear', [], 'No feed, no harm.', 'common practice'],
  ['multicore', 'Ribbon over a multicore, feed off', line(ribbon(), xlr(10), multicore(30), xlrIn()), 'Clear', [], 'No feed, no harm.', 'common practice'],
  ['xlr-patch', 'Ribbon without a tap over an XLR patch point, tested cables, 48 V', line(tapless, testedXlr(5), xlrPatch, testedXlr(5), xlrIn('P48')), 'Watch', ['ribbon-fed'], 'Pin 1 makes first there; the feed is still pointless.', 'common practice'],
  ['plug-on', 'Ribbon on a plug-on transmitter at 48 V', line(ribbon(), plugOn('P48')), 'Stop', ['ribbon-fed', 'gain-short'], 'The transmitter feeds too, and has little gain.', 'common practice'],
  ['splitter-direct', 'Ribbon over a splitter, this desk on the isolated output at 48 V', shared(line(ribbon(), xlr(5), { ...splitter(), exit: 'b' }, xlr(10), xlrIn('P48')), 1, { port: '', inlet: xlrIn() }), 'Clear', [], 'An isolated output passes no phantom.', 'common practice'],
  ['splitter-other', 'Ribbon over a splitter, the other desk on the direct output at 48 V', shared(line(ribbon(), xlr(5), { ...splitter(), exit: 'b' }, xlr(10), xlrIn()), 1, { port: '', inlet: xlrIn('P48') }), 'Stop', ['ribbon-fed'], 'The feed comes by the direct output.', 'formula: the operating point'],
  ['combo', 'Ribbon in a combo inlet at 48 V', line(ribbon(), xlr(10), comboIn('line', 'P48')), 'Stop', ['ribbon-fed'], 'A combo inlet’s XLR feeds like any other.', 'common practice'],
  ['party-line', 'Ribbon on a two-wire intercom line', line(tapless, xlr(10), partyLine), 'Stop', ['intercom-line'], '30 V on one pin alone.', 'common practice'],
]);
