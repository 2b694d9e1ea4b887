import { SAFE, TROUBLES } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { FaultFinder } from './FaultFinder';
import { MachinePicture, stateWords } from './MachinePicture';

describe('the machine as it stands', () => {
  it('is said in words as well as drawn', () => {
    renderPart(
      <MachinePicture state={{ ...SAFE, trigger: 'held', pressure: 'low', pump: 'on', valve: 'spray' }} />,
    );
    expect(
      screen.getByLabelText('pump on, valve: spray, trigger held, into the waste, lowest pressure, tip off'),
    ).toBeTruthy();
    expect(stateWords(SAFE)).toBe('pump off, valve: prime, trigger locked, no pressure, tip off');
  });
});

describe('the fault finder', () => {
  it('goes from what is seen to the first, second and third thing, back, and to its end', () => {
    renderPart(<FaultFinder />);
    const { name, tries } = TROUBLES['leak at the guard'];
    fireEvent.press(screen.getByText(name));
    for (const [index, { what }] of tries.entries()) {
      expect(screen.getByText(what)).toBeTruthy();
      expect(screen.getByText(/Caution: First lock the trigger/)).toBeTruthy();
      if (index === 1) {
        fireEvent.press(screen.getByRole('button', { name: 'Back one' }));
        expect(screen.getByText(tries[0].what)).toBeTruthy();
        fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
      }
      fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
    }
    expect(screen.getByText(/That was all to try here/)).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Another fault' }));
    expect(screen.getByText(name)).toBeTruthy();
  });
});
