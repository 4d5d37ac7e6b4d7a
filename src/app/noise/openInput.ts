import { openInput as text } from './texts';
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
  echoCancellation: text.echoCancelling,
  noiseSuppression: text.noiseSuppression,
  autoGainControl: text.automaticGain,
} as const;

/** Opens the input of this browser; says in words why it cannot. */
export async function openInput(): Promise<OpenInput | { refused: string }> {
  if (!navigator.mediaDevices?.getUserMedia)
    return {
      refused: text.thisBrowserGivesPages,
    };
  let stream: MediaStream;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ audio: { ...OFF, channelCount: { ideal: 2 } } });
  } catch (problem) {
    const { name, message } = problem as DOMException;
    if (name === 'NotAllowedError') return { refused: text.theBrowserWasNotAllowed };
    if (name === 'NotFoundError') return { refused: text.thisMachineHasNoInput };
    return { refused: text.theInputCannotBeOpened(message) };
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
    return { refused: text.theBrowserRefusesToRecord((problem as Error).message) };
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
    label: track.label || text.inputOfThisBrowser,
    sampleRate: context.sampleRate,
    channels,
    ...(on.length && {
      warning: text.theBrowserDoesNotSay(on.map((name) => NAMES[name]).join(', ')),
    }),
    start(onBlock) {
      node.port.onmessage = ({ data }: MessageEvent<Float32Array[]>) => onBlock(data);
      source.connect(node);
    },
    close,
  };
}
