import { Injectable } from '@angular/core';

/** The browser's voice, where it has one. */
@Injectable({ providedIn: 'root' })
export class Speech {
  /** Says this instead of whatever is being said. Returns false where the browser has no voice. */
  say(text: string): boolean {
    if (!('speechSynthesis' in window)) return false;
    window.speechSynthesis.cancel();
    window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
    return true;
  }
}
