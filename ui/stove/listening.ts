/** What this device hears: only where its browser can, and when a person asked for it. */

/** As much of a browser's speech recognition as is used here; it has no types of its own yet. */
interface Recognition {
  lang: string;
  interimResults: boolean;
  onresult: ((event: { readonly results: ArrayLike<ArrayLike<{ readonly transcript: string }>> }) => void) | null;
  onerror: ((event: { readonly error: string }) => void) | null;
  onend: (() => void) | null;
  start: () => void;
  abort: () => void;
}
type RecognitionMaker = new () => Recognition;

const maker = (): RecognitionMaker | null => {
  const { SpeechRecognition, webkitSpeechRecognition } = window as { SpeechRecognition?: RecognitionMaker; webkitSpeechRecognition?: RecognitionMaker };
  return SpeechRecognition ?? webkitSpeechRecognition ?? null;
};
export const canListen = (): boolean => maker() !== null;

const TROUBLE: Readonly<Record<string, string>> = {
  'no-speech': 'Nothing was heard. Press once more and speak.',
  'audio-capture': 'There is no microphone.',
  'not-allowed': 'This page may not use the microphone: allow it in the browser, or type.',
  'service-not-allowed': 'This browser may not listen here. Type it.',
  network: 'This browser listens over the internet only, and there is none. Type it.',
};

/** Hears one sentence. @returns stops listening */
export function listen(onHeard: (words: string) => void, onTrouble: (why: string) => void, onEnd: () => void): () => void {
  const Maker = maker();
  if (!Maker) return () => undefined;
  const recognition = new Maker();
  recognition.lang = document.documentElement.lang || 'en';
  recognition.interimResults = false;
  recognition.onresult = ({ results }) => {
    const words = results[0]?.[0]?.transcript.trim();
    if (words) onHeard(words);
  };
  recognition.onerror = ({ error }) => onTrouble(TROUBLE[error] ?? 'It could not be heard. Press once more, or type it.');
  recognition.onend = onEnd;
  recognition.start();
  return () => recognition.abort();
}
