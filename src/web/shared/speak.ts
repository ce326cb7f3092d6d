import { useEffect } from 'react';
import { useApp } from '../store';

/**
 * Reads a sentence out by the browser's own voice, where someone wants it and there is one. The
 * newest one counts.
 */
export const useSpeech = (text: string | null | undefined): void => {
  const isSpoken = useApp((s) => s.prefs.isSpoken);
  useEffect(() => {
    if (!isSpoken || !text || !('speechSynthesis' in window)) return;
    window.speechSynthesis.cancel();
    const said = new SpeechSynthesisUtterance(text);
    said.lang = 'en';
    window.speechSynthesis.speak(said);
  }, [isSpoken, text]);
};
