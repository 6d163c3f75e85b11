/** The part of the browser's speech interface that is used here; browsers name it differently. */
interface Recognition {
  lang: string;
  continuous: boolean;
  interimResults: boolean;
  onresult: ((event: RecognitionResult) => void) | null;
  onerror: ((event: { readonly error: string }) => void) | null;
  onend: (() => void) | null;
  start: () => void;
  stop: () => void;
}
interface RecognitionResult {
  readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }> & { isFinal: boolean }>;
}
type MakeRecognition = new () => Recognition;

function speechOf(window: object): MakeRecognition | null {
  const named = window as Record<string, MakeRecognition | undefined>;
  return named['SpeechRecognition'] ?? named['webkitSpeechRecognition'] ?? null;
}

/** Whether this browser can turn speech into words at all. */
export const canDictate = (): boolean => speechOf(globalThis) !== null;

export interface Dictation {
  readonly stop: () => void;
}

const TROUBLE: Readonly<Record<string, string>> = {
  'not-allowed': 'The microphone is not allowed here. Allow it, or type.',
  'service-not-allowed': 'This browser allows no dictation here. Type instead.',
  'audio-capture': 'No microphone was found. Type instead.',
  'no-speech': 'Nothing was heard. Try again, closer.',
  network: 'Dictation needs a network in this browser. Type, or use the keyboard’s own.',
};

/**
 * Listens and gives the words heard so far, again and again until it ends. `ended` gets why it
 * failed, in words, or null.
 */
export function dictate(
  heard: (words: string) => void,
  ended: (problem: string | null) => void,
): Dictation | null {
  const Speech = speechOf(globalThis);
  if (!Speech) return null;
  const speech = new Speech();
  let problem: string | null = null;
  speech.lang = navigator.language;
  speech.continuous = true;
  speech.interimResults = true;
  speech.onresult = ({ results }) =>
    heard(
      Array.from(results)
        .map((result) => result[0]?.transcript ?? '')
        .join(' ')
        .replaceAll(/\s+/g, ' ')
        .trim(),
    );
  speech.onerror = ({ error }) => {
    if (error !== 'aborted') problem = TROUBLE[error] ?? 'Dictation failed. Type instead.';
  };
  speech.onend = () => ended(problem);
  try {
    speech.start();
  } catch {
    return null;
  }
  return { stop: () => speech.stop() };
}
