import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { SIZE_LIMITS } from '@fine-spray/core/takeoff';
import { renderPart } from '@/testing/render';
import { LengthEntry, LengthField, LengthPad } from '.';
import { PAD_KEYS, pressKey } from './pad';

describe('the keys of the pad', () => {
  const keys = (...pressed: string[]) => pressed.reduce((text, key) => pressKey(text, key), '');

  it('make metres with a point and usual rests', () => {
    expect(keys('4', '.', '2', '5')).toBe('4.25');
    expect(keys('4', '.', '2', '⌫', '⌫')).toBe('4');
    expect(keys('3', '5 cm')).toBe('3.05');
    expect(keys('10 cm')).toBe('0.1');
    expect(keys('1', 'clear', '2')).toBe('2');
  });

  it('make feet, inches and quarters of an inch', () => {
    expect(keys('8', 'ft', '6', '½')).toBe(`8' 6 1/2"`);
    expect(keys('8', 'ft', '6', 'in')).toBe(`8' 6"`);
    expect(keys('1', '2', 'ft', '⌫')).toBe('12');
    expect(keys('ft', 'in')).toBe('');
    expect(keys('¼')).toBe('1/4"');
  });

  it('are on the pad, each once', () => {
    for (const rows of Object.values(PAD_KEYS)) {
      const all = rows.flat();
      expect(new Set(all).size).toBe(all.length);
      expect(all).toEqual(expect.arrayContaining(['0', '9', '⌫', 'next']));
    }
  });
});

let sizes: { length: number; width: number };

function Fields() {
  const [now, setNow] = useState({ length: 4, width: 3 });
  sizes = now;
  const field = (name: 'length' | 'width', label: string) => (
    <LengthField
      label={label}
      value={now[name]}
      bounds={SIZE_LIMITS}
      onChange={(value) => setNow((before) => ({ ...before, [name]: value }))}
    />
  );
  return (
    <LengthEntry>
      {field('length', 'Length')}
      {field('width', 'Width')}
      <LengthPad />
    </LengthEntry>
  );
}
const focus = (label: string) => fireEvent(screen.getByLabelText(label), 'focus');
const press = (name: string) => fireEvent.press(screen.getByRole('button', { name }));

describe('a length with the focus', () => {
  beforeEach(() => {
    renderPart(<Fields />);
  });

  it('takes the keys of the pad: the first replaces what is there, the rest follow', () => {
    expect(screen.queryByLabelText('Number pad for Length')).toBeNull();
    focus('Length, m');
    for (const key of ['6', '.', '2']) press(key);
    expect(sizes.length).toBeCloseTo(6.2, 12);
    expect(screen.getByTestId('pad-text').props.children).toBe('6.2');
    focus('Width, m');
    press('5');
    expect(sizes).toEqual({ length: 6.2, width: 5 });
  });

  it('keeps the last good value and says what is wrong while it cannot be taken', () => {
    focus('Length, m');
    for (const key of ['0', '0', '0']) press(key);
    expect(sizes.length).toBe(4);
    expect(screen.getByText(/Length must be between/)).toBeTruthy();
    press('clear');
    expect(screen.getByText(/Length is missing/)).toBeTruthy();
  });

  it('is stepped by five centimetres, within its limits', () => {
    press('Length: more');
    expect(sizes.length).toBeCloseTo(4.05, 9);
    press('Width: less');
    expect(sizes.width).toBeCloseTo(2.95, 9);
  });

  it('ends entry', () => {
    focus('Length, m');
    press('Done');
    expect(screen.queryByLabelText('Number pad for Length')).toBeNull();
  });
});
