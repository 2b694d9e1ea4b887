import { TROUBLES, clearClog, putGunDown, resting } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { FaultFinder } from './FaultFinder';
import { MachinePicture, stateWords } from './MachinePicture';

const at = { base: 'water', power: 'electric', side: 'inside', waterOnly: false, hardener: 'none' } as const;
const lists = { clog: clearClog(at), down: putGunDown(at) };

describe('the machine as it stands after a step', () => {
  it('is said in words as well as drawn', () => {
    const rest = resting('water paint');
    renderPart(
      <MachinePicture
        state={{ ...rest, trigger: 'held', gun: 'waste', hosePressure: 'low', pump: 'on', valve: 'spray' }}
      />,
    );
    expect(
      screen.getByLabelText(
        'pump on, valve: spray, trigger held, into the waste, lowest pressure, tip on, suction in water-borne coating, return clipped in the paint, in the hose: water-borne coating',
      ),
    ).toBeTruthy();
    expect(screen.getByText('After this step')).toBeTruthy();
    expect(stateWords({ ...rest, suction: 'air', returns: 'loose' })).toBe(
      'pump off, valve: prime, trigger locked, no pressure, tip on, in the hose: water-borne coating',
    );
  });
});

describe('the fault finder', () => {
  it('goes from what is seen to the first, second and third thing, back, and to its end', () => {
    renderPart(<FaultFinder {...lists} />);
    const { name, tries, danger } = TROUBLES['leak at the guard'];
    fireEvent.press(screen.getByText(name));
    for (const [index, { what }] of tries.entries()) {
      expect(screen.getByText(what)).toBeTruthy();
      expect(screen.getByText('First put the gun down')).toBeTruthy();
      expect(screen.getByText(danger ?? '')).toBeTruthy();
      if (index === 1) {
        fireEvent.press(screen.getByRole('button', { name: 'Back one' }));
        expect(screen.getByText(tries[0]?.what ?? '')).toBeTruthy();
        fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
      }
      fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
    }
    expect(screen.getByText(/That was all to try here/)).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Another fault' }));
    expect(screen.getByText(name)).toBeTruthy();
  });

  it('has the one list for a clog, with no word of relieving above a step that needs pressure', () => {
    renderPart(<FaultFinder {...lists} />);
    fireEvent.press(screen.getByText('Tip clogged'));
    for (const { what } of lists.clog.steps) expect(screen.getByText(what)).toBeTruthy();
    expect(screen.queryByText('First put the gun down')).toBeNull();
    fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
    expect(screen.getByText('First put the gun down')).toBeTruthy();
  });
});
