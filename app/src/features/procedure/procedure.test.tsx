import { TROUBLES, clearClog, putGunDown, resting, type ProcedureStep } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { Text } from 'react-native';
import { playStorage } from '@/testing/deviceStorage';
import { renderPart } from '@/testing/render';
import { Button } from '@/ui/button';
import { FaultFinder } from './FaultFinder';
import { MachinePicture, stateWords } from './MachinePicture';
import { useTicks } from './useTicks';

const at = { base: 'water', power: 'electric', side: 'inside', waterOnly: false, hardener: 'none' } as const;
const lists = { clog: clearClog(at), down: putGunDown(at) };
const finder = {
  ...lists,
  machine: 'Van',
  curesOf: (): ReadonlyMap<string, number> => new Map<string, number>(),
  onCured: () => undefined,
};

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
    renderPart(<FaultFinder {...finder} />);
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

  it('tries first what cured it before with this machine, says how often, and gives on what does now', () => {
    const { name, tries } = TROUBLES['no suction'];
    const third = tries[2]?.what ?? '';
    const cured: (readonly string[])[] = [];
    renderPart(
      <FaultFinder
        {...finder}
        curesOf={(what) => new Map(what === name ? [[third, 2]] : [])}
        onCured={(...one) => void cured.push(one)}
      />,
    );
    fireEvent.press(screen.getByText(name));
    expect(screen.getByText(third)).toBeTruthy();
    expect(screen.getByText('It cured this 2 times before with Van.')).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
    // Then the others in their own order.
    expect(screen.getByText(tries[0]?.what ?? '')).toBeTruthy();
    expect(screen.queryByText(/It cured this/)).toBeNull();
    fireEvent.press(screen.getByRole('button', { name: 'That was it' }));
    expect(cured).toEqual([[name, tries[0]?.what]]);
    expect(screen.getByText(name)).toBeTruthy();
  });

  it('has the one list for a clog, with no word of relieving above a step that needs pressure', () => {
    renderPart(<FaultFinder {...finder} />);
    fireEvent.press(screen.getByText('Tip clogged'));
    for (const { what } of lists.clog.steps) expect(screen.getByText(what)).toBeTruthy();
    expect(screen.queryByText('First put the gun down')).toBeNull();
    fireEvent.press(screen.getByRole('button', { name: 'Still there: next' }));
    expect(screen.getByText('First put the gun down')).toBeTruthy();
  });
});

describe('the ticks of a list', () => {
  const list = putGunDown(at);
  const [first, second] = list.steps;
  if (!first || !second) throw new Error('a list of one step');
  const HOUR = 3600_000;
  function Ticks() {
    const { done, press, leftAt } = useTicks(list, 'a list');
    return (
      <>
        <Text>{`done: ${done.join(', ')}`}</Text>
        <Text>{leftAt === undefined ? 'fresh' : 'begun again'}</Text>
        <Button label="first" onPress={() => press(first as ProcedureStep)} />
        <Button label="second" onPress={() => press(second as ProcedureStep)} />
      </>
    );
  }
  const pressed = (name: string) => fireEvent.press(screen.getByRole('button', { name }));

  let kept = playStorage();
  beforeEach(() => {
    kept = playStorage();
  });
  afterEach(() => jest.restoreAllMocks());

  it('hold through a reload, and begin again when the page lay open for hours', () => {
    const clock = jest.spyOn(Date, 'now').mockReturnValue(1000 * HOUR);
    const { unmount } = renderPart(<Ticks />);
    pressed('first');
    expect(screen.getByText(`done: ${first.id}`)).toBeTruthy();
    clock.mockReturnValue(1003 * HOUR);
    unmount();
    renderPart(<Ticks />);
    expect(screen.getByText(`done: ${first.id}`)).toBeTruthy();
    // Five hours later in the same open page the next tap ticks nothing: it says that the list begins again.
    clock.mockReturnValue(1008 * HOUR);
    pressed('second');
    expect(screen.getByText('begun again')).toBeTruthy();
    expect(screen.getByText('done: ')).toBeTruthy();
    pressed('first');
    expect(screen.getByText('fresh')).toBeTruthy();
    expect(screen.getByText(`done: ${first.id}`)).toBeTruthy();
  });

  it('are of an unknown time where an older version kept them, and where the clock was put back', () => {
    kept.set('fine-spray.kept.a list', JSON.stringify([first.id]));
    const { unmount } = renderPart(<Ticks />);
    expect(screen.getByText('begun again')).toBeTruthy();
    unmount();
    kept.set('fine-spray.kept.a list', JSON.stringify({ done: [first.id], at: Date.now() + HOUR }));
    renderPart(<Ticks />);
    expect(screen.getByText('begun again')).toBeTruthy();
  });
});
