/** The browser's input, opened with everything off that would change a noise floor. */
export interface OpenInput {
  label: string;
  sampleRate: number;
  channels: number;
  /** What the browser would not switch off. */
  warning?: string;
  start: (onBlock: (block: Float32Array[]) => void) => void;
  close: () => void;
}

const OFF = { echoCancellation: false, noiseSuppression: false, autoGainControl: false } as const;
const NAMES = {
  echoCancellation: 'echo cancelling',
  noiseSuppression: 'noise suppression',
  autoGainControl: 'automatic gain',
} as const;

/** Opens the input of this browser; says in words why it cannot. */
export async function openInput(): Promise<OpenInput | { refused: string }> {
  if (!navigator.mediaDevices?.getUserMedia)
    return {
      refused:
        'This browser gives pages no input here. Open Inlet Check on this machine itself (127.0.0.1) or over https, or choose a file.',
    };
  let stream: MediaStream;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ audio: { ...OFF, channelCount: { ideal: 2 } } });
  } catch (problem) {
    const { name, message } = problem as DOMException;
    if (name === 'NotAllowedError')
      return { refused: 'The browser was not allowed to use an input. Allow it beside the address, and record again.' };
    if (name === 'NotFoundError')
      return { refused: 'This machine has no input. Plug in an interface, or choose a file.' };
    return { refused: `The input cannot be opened: ${message}. Close whatever else uses it, and record again.` };
  }
  const [track] = stream.getAudioTracks();
  const settings = track.getSettings();
  const context = new AudioContext({ latencyHint: 'playback' });
  const close = () => {
    track.stop();
    void context.close();
  };
  try {
    await context.audioWorklet.addModule('/record.worklet.js');
  } catch (problem) {
    close();
    return { refused: `The browser refuses to record: ${(problem as Error).message}` };
  }
  const channels = Math.min(2, settings.channelCount ?? 1);
  const source = context.createMediaStreamSource(stream);
  const node = new AudioWorkletNode(context, 'record', {
    numberOfOutputs: 0,
    channelCount: channels,
    channelCountMode: 'explicit',
  });
  const on = (Object.keys(OFF) as (keyof typeof OFF)[]).filter((name) => settings[name] !== false);
  return {
    label: track.label || 'input of this browser',
    sampleRate: context.sampleRate,
    channels,
    ...(on.length && {
      warning: `The browser does not say that it has switched off ${on.map((name) => NAMES[name]).join(', ')}. What it reads may be lower than what the inlet has; trust a file more.`,
    }),
    start(onBlock) {
      node.port.onmessage = ({ data }: MessageEvent<Float32Array[]>) => onBlock(data);
      source.connect(node);
    },
    close,
  };
}
