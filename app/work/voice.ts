/** The browser’s own voice, where it has one. */

export const voiceHere = (): boolean => 'speechSynthesis' in window && 'SpeechSynthesisUtterance' in window;

/** Says a text in place of whatever is being said. */
export function say(text: string): void {
  if (!voiceHere()) return;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
}

export function hush(): void {
  if (voiceHere()) window.speechSynthesis.cancel();
}
