/** What happens while a plug goes in and a feed goes on or off. */
export { lastPlugged, plugging, pluggedLive, pulledLive, voltageAcross, type Plugging } from './plugging';
export { comingOn, goingOff, switchOff, switchOn, type SwitchOff, type SwitchOn } from './feedSteps';
