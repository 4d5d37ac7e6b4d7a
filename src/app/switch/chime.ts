let context: AudioContext | undefined;

/** Browsers let a page sound only after somebody has touched it: call this from a press. */
export function allowChime(): void {
  context ??= new AudioContext();
  void context.resume();
}

/** Three short, quiet notes, and a buzz where the device has one: a wait is over. */
export function chime(): void {
  navigator.vibrate?.([120, 80, 120]);
  if (!context || context.state !== 'running') return;
  const begin = context.currentTime;
  for (const at of [0, 0.22, 0.44]) {
    const tone = new OscillatorNode(context, { frequency: 660 });
    const level = new GainNode(context, { gain: 0 });
    level.gain.setTargetAtTime(0.15, begin + at, 0.01);
    level.gain.setTargetAtTime(0, begin + at + 0.12, 0.03);
    tone.connect(level).connect(context.destination);
    tone.start(begin + at);
    tone.stop(begin + at + 0.4);
  }
}
