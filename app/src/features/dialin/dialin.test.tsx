import { SEEN } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { PatternTile, SEEN_WORDS } from './PatternTile';
import { WidthAnswer } from './WidthAnswer';
import { readSession } from './useDialIn';

describe('a session of the dial-in', () => {
  it('is taken up as it was kept, and not when it is something else', () => {
    const session = {
      ready: true,
      school: 'larger orifice first',
      events: [{ kind: 'saw', seen: 'tails' }, { kind: 'did' }],
    };
    expect(readSession(JSON.parse(JSON.stringify(session)))).toEqual(session);
    const range = { start: 1e7, floor: 8e6, stop: 1.5e7, step: 5e5 };
    const begun = {
      ...session,
      setup: {
        range,
        expected: { value: 1.2e7, low: 9.6e6, high: 1.44e7 },
        pumpAtLimit: false,
        coldPaint: false,
        mayThin: true,
        clogs: false,
        school: 'thin first',
      },
    };
    expect(readSession(JSON.parse(JSON.stringify(begun)))).toEqual(begun);
    expect(readSession({ ...begun, setup: { range } })).toBeUndefined();
    expect(
      readSession({ ...begun, setup: { ...begun.setup, range: { ...range, stop: 1 } } }),
    ).toBeUndefined();
    for (const broken of [
      null,
      [],
      { ready: 1, events: [] },
      { ...session, events: [{ kind: 'saw', seen: 'purple' }] },
    ]) {
      expect(readSession(broken)).toBeUndefined();
    }
  });
});

describe('the answers', () => {
  it('are one tile for each pattern there is, drawn and named', () => {
    const pressed: string[] = [];
    renderPart(
      <>
        {SEEN.map((seen) => (
          <PatternTile key={seen} seen={seen} exponent={1} onPress={() => pressed.push(seen)} />
        ))}
      </>,
    );
    for (const seen of SEEN)
      fireEvent.press(screen.getByRole('button', { name: new RegExp(SEEN_WORDS[seen].name) }));
    expect(pressed).toEqual([...SEEN]);
  });

  it('by the tape are offered, and refused where no fan is so wide', () => {
    const taken: string[] = [];
    renderPart(<WidthAnswer expected={0.254} onTake={(seen) => taken.push(seen)} />);
    const field = screen.getByLabelText(/Fan on the card/);
    expect(screen.queryByRole('button', { name: /Take it as/ })).toBeNull();
    fireEvent.changeText(field, '400');
    expect(screen.getByText(/a quarter wider/)).toBeTruthy();
    fireEvent.changeText(field, '180');
    expect(screen.getByText(/replace the tip/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Take it as/ })).toBeNull();
    fireEvent.changeText(field, '252');
    fireEvent.press(screen.getByRole('button', { name: 'Take it as: even' }));
    expect(taken).toEqual(['even']);
  });
});
