/** What this device says with a voice: only where its browser can, and when a person asked for it. */

export const canSpeak = (): boolean => 'speechSynthesis' in window && 'SpeechSynthesisUtterance' in window;

/** A browser that has speech may still have no voice to speak with. */
export const hasVoice = (): boolean => canSpeak() && window.speechSynthesis.getVoices().length > 0;

/** Says it aloud. A sentence that is still being said makes way: the newer one matters. */
export function speak(words: string): void {
  if (!canSpeak()) return;
  window.speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(words);
  utterance.lang = document.documentElement.lang || 'en';
  window.speechSynthesis.speak(utterance);
}
