import { useEffect, useRef, useState } from 'react';
import { usePreference } from './preference';

/** What of a browser's speech recognition is used, where it can work on the device itself. */
interface Recognition {
  lang: string;
  continuous: boolean;
  interimResults: boolean;
  maxAlternatives: number;
  processLocally?: boolean;
  onresult: ((event: { readonly results: Heard; readonly resultIndex: number }) => void) | null;
  onend: (() => void) | null;
  onerror: ((event: { readonly error: string }) => void) | null;
  start(): void;
  abort(): void;
}
type Heard = ArrayLike<
  ArrayLike<{ readonly transcript: string; readonly confidence: number }> & { readonly isFinal: boolean }
>;
interface RecognitionType {
  new (): Recognition;
  available?(options: {
    readonly langs: readonly string[];
    readonly processLocally: boolean;
  }): Promise<string>;
}

const LANGUAGE = 'en-US';
/** Heard less surely than this it is not taken. */
const SURE = 0.5;

function recognitionType(): RecognitionType | undefined {
  const known = globalThis as {
    SpeechRecognition?: RecognitionType;
    webkitSpeechRecognition?: RecognitionType;
  };
  return known.SpeechRecognition ?? known.webkitSpeechRecognition;
}

/**
 * Whether this browser hears speech on the device itself: where it would send it away, or does not say, voice is not offered. What
 * takes a download first is not there.
 */
export async function hearsHere(): Promise<boolean> {
  const type = recognitionType();
  if (!type?.available) return false;
  try {
    return (await type.available({ langs: [LANGUAGE], processLocally: true })) === 'available';
  } catch {
    return false;
  }
}

/** Whether voice can be had on this device; nothing while that is asked. */
export function useHearsHere(): boolean | undefined {
  const asks = recognitionType()?.available !== undefined;
  const [hears, setHears] = useState<boolean | undefined>(asks ? undefined : false);
  useEffect(() => {
    if (!asks) return undefined;
    let here = true;
    void hearsHere().then((can) => here && setHears(can));
    return () => {
      here = false;
    };
  }, [asks]);
  return hears;
}

/** Whether somebody wants to answer by voice: off until it is switched on. */
export const useVoiceSwitch = () => usePreference('voice', 'off', ['on', 'off']);

/** The one of some words that was said; nothing where none was, or two. */
export function wordIn(said: string, words: readonly string[]): string | undefined {
  const plain = (text: string) =>
    ` ${text
      .toLowerCase()
      .replace(/[^a-z]+/g, ' ')
      .trim()} `;
  const found = words.filter((word) => plain(said).includes(plain(word)));
  return found.length === 1 ? found[0] : undefined;
}

export interface Voice {
  /** Listening now. */
  readonly on: boolean;
  /** What was heard last, and whether it was taken. */
  readonly heard: { readonly text: string; readonly taken: boolean } | undefined;
  /** Why it does not listen any more. */
  readonly failed: string | undefined;
}

/**
 * Hears one of some words at a time, as long as it is switched on and this device hears by itself. What is not one of them does
 * nothing and is said.
 * @param listens whether this is what is spoken to, where there are several
 */
export function useVoice(words: readonly string[], onWord: (word: string) => void, listens = true): Voice {
  const [wanted] = useVoiceSwitch();
  const hears = useHearsHere();
  const [heard, setHeard] = useState<Voice['heard']>();
  const [failed, setFailed] = useState<string>();
  const taken = useRef(onWord);
  const known = useRef(words);
  useEffect(() => {
    taken.current = onWord;
    known.current = words;
  });
  const on = listens && wanted === 'on' && hears === true && failed === undefined;
  useEffect(() => {
    const Type = recognitionType();
    if (!on || !Type) return undefined;
    let ended = false;
    const ear = new Type();
    Object.assign(ear, {
      lang: LANGUAGE,
      continuous: true,
      interimResults: false,
      maxAlternatives: 1,
      processLocally: true,
    });
    ear.onresult = ({ results, resultIndex }) => {
      const last = results[resultIndex];
      const best = last?.[0];
      if (!last?.isFinal || !best) return;
      const word = best.confidence >= SURE ? wordIn(best.transcript, known.current) : undefined;
      setHeard({ text: best.transcript.trim(), taken: word !== undefined });
      if (word !== undefined) taken.current(word);
    };
    ear.onerror = ({ error }) => {
      if (error === 'not-allowed' || error === 'service-not-allowed')
        setFailed(
          'The microphone is not allowed here: tap instead, or allow it in the settings of the browser.',
        );
      else if (error !== 'no-speech' && error !== 'aborted')
        setFailed('This device does not hear any more: tap instead.');
    };
    // A browser stops listening after a silence.
    ear.onend = () => {
      if (!ended) ear.start();
    };
    ear.start();
    return () => {
      ended = true;
      ear.abort();
    };
  }, [on]);
  return { on, heard, failed };
}
