import { act, renderHook, waitFor } from '@testing-library/react-native';
import { playStorage } from '@/testing/deviceStorage';
import { hearsHere, useVoice, wordIn } from './voice';

type Result = { transcript: string; confidence: number };

/** A browser's speech recognition, spoken to by the test. */
class Ear {
  static answer: string | Error = 'available';
  static asked: unknown;
  static last: Ear | undefined;
  static available(options: unknown): Promise<string> {
    Ear.asked = options;
    return Ear.answer instanceof Error ? Promise.reject(Ear.answer) : Promise.resolve(Ear.answer);
  }
  processLocally = false;
  started = 0;
  onresult: ((event: unknown) => void) | null = null;
  onerror: ((event: unknown) => void) | null = null;
  onend: (() => void) | null = null;
  constructor() {
    Ear.last = this;
  }
  start(): void {
    this.started += 1;
  }
  abort(): void {
    this.onend?.();
  }
  say(transcript: string, confidence = 0.9): void {
    const said: Result[] & { isFinal?: boolean } = [{ transcript, confidence }];
    said.isFinal = true;
    act(() => this.onresult?.({ results: [said], resultIndex: 0 }));
  }
}
const browser = globalThis as { SpeechRecognition?: unknown };

beforeEach(() => {
  browser.SpeechRecognition = Ear;
  Ear.answer = 'available';
  Ear.last = undefined;
  playStorage().set('fine-spray.voice', 'on');
});
afterEach(() => {
  delete browser.SpeechRecognition;
});

describe('voice', () => {
  it('is offered only where the device itself hears', async () => {
    expect(await hearsHere()).toBe(true);
    expect(Ear.asked).toMatchObject({ processLocally: true });
    for (const answer of ['downloadable', 'unavailable', new Error('no')] as const) {
      Ear.answer = answer;
      expect(await hearsHere()).toBe(false);
    }
    // One that does not say where it hears would send it away.
    browser.SpeechRecognition = function Elsewhere() {};
    expect(await hearsHere()).toBe(false);
    delete browser.SpeechRecognition;
    expect(await hearsHere()).toBe(false);
  });

  it('takes one of the words, and none where two or no one was said', () => {
    const words = ['even', 'tails', 'heavy edges', 'one-sided'];
    expect(wordIn('Even.', words)).toBe('even');
    expect(wordIn('it has heavy edges', words)).toBe('heavy edges');
    expect(wordIn('One sided', words)).toBe('one-sided');
    expect(wordIn('evening', words)).toBeUndefined();
    expect(wordIn('even or tails', words)).toBeUndefined();
    expect(wordIn('', words)).toBeUndefined();
  });

  it('hears on the device, says what it misheard and does nothing then, and listens on after a silence', async () => {
    const taken: string[] = [];
    const { result, unmount } = renderHook(() => useVoice(['even', 'tails'], (word) => taken.push(word)));
    await waitFor(() => expect(result.current.on).toBe(true));
    const ear = Ear.last as Ear;
    expect(ear.processLocally).toBe(true);
    ear.say('Evan');
    expect(result.current.heard).toEqual({ text: 'Evan', taken: false });
    ear.say('tails', 0.2);
    expect(taken).toEqual([]);
    ear.say('tails');
    expect([taken, result.current.heard]).toEqual([['tails'], { text: 'tails', taken: true }]);
    act(() => ear.onend?.());
    expect(ear.started).toBe(2);
    unmount();
    expect(ear.started).toBe(2);
  });

  it('says where the microphone is not allowed, and listens no more', async () => {
    const { result } = renderHook(() => useVoice(['even'], () => undefined));
    await waitFor(() => expect(result.current.on).toBe(true));
    act(() => Ear.last?.onerror?.({ error: 'not-allowed' }));
    expect(result.current).toMatchObject({
      on: false,
      failed: expect.stringMatching(/microphone is not allowed/) as string,
    });
  });
});
