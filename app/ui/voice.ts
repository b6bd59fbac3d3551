import { Injectable } from '@angular/core';

/** Says a prompt aloud where the browser has a voice of its own; voices that would ask a server are never used. */
@Injectable({ providedIn: 'root' })
export class Voice {
  private last = '';

  say(words: string): void {
    if (!('speechSynthesis' in window) || words === this.last) return;
    const voice = speechSynthesis.getVoices().find((v) => v.localService && v.lang.startsWith('en'));
    if (!voice) return;
    this.last = words;
    const utterance = new SpeechSynthesisUtterance(words);
    utterance.voice = voice;
    speechSynthesis.cancel();
    speechSynthesis.speak(utterance);
  }

  hush(): void {
    this.last = '';
    if ('speechSynthesis' in window) speechSynthesis.cancel();
  }
}
