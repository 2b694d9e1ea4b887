import { of } from '@fine-spray/core/units';
import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { renderPart } from '@/testing/render';
import { QuantityField } from './field';
import { Words } from './text';

function Width({ start = 4 }: { start?: number }) {
  const [value, setValue] = useState(start);
  return (
    <>
      <QuantityField
        label="Width"
        kind="size"
        value={value}
        bounds={{ min: 0.02, max: 100 }}
        onChange={setValue}
      />
      <Words testID="value">{value.toFixed(4)}</Words>
    </>
  );
}

const type = (text: string) => fireEvent.changeText(screen.getByLabelText('Width, m'), text);
const value = () => screen.getByTestId('value').props['children'] as string;

describe('a quantity field', () => {
  it('shows its value in the unit on screen and gives back SI', () => {
    renderPart(<Width />);
    expect(screen.getByLabelText('Width, m').props['value']).toBe('4');
    type('5.25');
    expect(value()).toBe('5.2500');
  });

  it('takes other units and feet with inches', () => {
    renderPart(<Width />);
    type('8 ft 6 in');
    expect(value()).toBe('2.5908');
    type('2400 mm');
    expect(value()).toBe('2.4000');
  });

  it('keeps what is typed and the last good value while it cannot be taken', () => {
    renderPart(<Width />);
    type('12');
    type('12x');
    expect(screen.getByLabelText('Width, m').props['value']).toBe('12x');
    expect(value()).toBe('12.0000');
    expect(screen.getByText(/Width is in a unit that does not fit/)).toBeTruthy();
    type('1200');
    expect(screen.getByText('Width must be between 0.02 m and 100 m.')).toBeTruthy();
    type('11');
    expect(screen.queryByText(/must be between/)).toBeNull();
    expect(value()).toBe('11.0000');
  });

  it('does not rewrite what is being typed', () => {
    renderPart(<Width />);
    type('3.');
    expect(screen.getByLabelText('Width, m').props['value']).toBe('3.');
    type('3.0');
    expect(screen.getByLabelText('Width, m').props['value']).toBe('3.0');
    expect(value()).toBe(of(3, 'm').toFixed(4));
  });
});
