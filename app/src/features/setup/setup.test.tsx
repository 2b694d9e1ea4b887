import type { Coating } from '@fine-spray/contract';
import { requestFor, type Kit } from '@fine-spray/contract/planning';
import { setupCard, type SetupCard } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { hoseRow, row, sprayerRow, wallSetup } from '@/testing/rows';
import { spreadLabels } from './FilmSection';
import { SetupCardView } from './SetupCardView';
import { WhySheet } from './WhySheet';

const coating: Coating = {
  ...row,
  id: 'c',
  name: 'Interior wall matt',
  archetype: 'wall-matt',
  overrides: {},
  sheet: {},
  hardener: 'none',
  containers: [0.005, 0.01].map((size) => ({ size, price: null })),
  note: '',
};
const sprayer = sprayerRow('s', 'Mid', 'mid electric');
const hose = hoseRow('h', 'Quarter');
const kit: Kit = { coatings: [coating], sprayers: [sprayer], hoses: [hose], tips: [] };
const job = { sprayerId: 's', hoseIds: ['h'], lift: 0 };

function cardOf(): SetupCard {
  const request = requestFor(wallSetup, job, kit);
  const result = request && setupCard(request);
  if (!result?.ok) throw new Error('no card');
  return result.value;
}

describe('joining rows to a request', () => {
  it('is undefined while coating or sprayer is missing, and leaves out a hose that is gone', () => {
    expect(requestFor({ ...wallSetup, coatingId: 'x' }, job, kit)).toBeUndefined();
    expect(requestFor(wallSetup, { ...job, sprayerId: 'x' }, kit)).toBeUndefined();
    expect(requestFor(wallSetup, { ...job, hoseIds: ['h', 'gone'] }, kit)?.hoses).toHaveLength(1);
  });
});

describe('the set-up card', () => {
  it('shows tip, both pressures, speed, paint, films and the next best', () => {
    const card = cardOf();
    renderPart(
      <SetupCardView card={card} coats={2} hoseText="15 m hose" fromDataSheet={[]} onOpen={jest.fn()} />,
    );
    expect(screen.getByTestId('tip-code')).toHaveTextContent(card.tip.code);
    for (const text of [
      'Gun, start to stop',
      'Pump, start to stop',
      'Move the gun',
      'Paint, 2 coats',
      'Wet film',
      'Dry film',
      `Why ${card.tip.code}, and what is next best`,
    ]) {
      expect(screen.getByText(text)).toBeTruthy();
    }
    for (const { code } of card.nextBest) expect(screen.getAllByText(code).length).toBeGreaterThan(0);
  });

  it('opens the number that is tapped, and fits the tip that is tapped', () => {
    const card = cardOf();
    const onOpen = jest.fn();
    const onPickTip = jest.fn();
    renderPart(
      <SetupCardView
        card={card}
        coats={2}
        hoseText="15 m hose"
        fromDataSheet={[]}
        onOpen={onOpen}
        onPickTip={onPickTip}
      />,
    );
    fireEvent.press(screen.getByText('Wet film'));
    expect(onOpen).toHaveBeenLastCalledWith('wetFilm');
    fireEvent.press(screen.getByText('Filters, gun and manifold'));
    expect(onOpen).toHaveBeenLastCalledWith('mesh');
    const [next] = card.nextBest;
    fireEvent.press(screen.getByText(next?.reason ?? ''));
    expect(onPickTip).toHaveBeenCalledWith(next);
  });

  it('says which values are from the data sheet', () => {
    renderPart(
      <SetupCardView
        card={cardOf()}
        coats={1}
        hoseText=""
        fromDataSheet={['Volume solids']}
        onOpen={jest.fn()}
      />,
    );
    expect(screen.getByTestId('from-data-sheet')).toHaveTextContent('From the data sheet: volume solids.');
  });
});

describe('why this number', () => {
  it('shows formula, source and inputs, and overrides a coating value with where it was read', () => {
    const onOverride = jest.fn();
    renderPart(<WhySheet number={cardOf().wetFilm} onClose={jest.fn()} onOverride={onOverride} />);
    expect(screen.getByText('WFT = DFT · (1 + r) ÷ VS')).toBeTruthy();
    const [, solids] = screen.getAllByText('Use a data sheet value');
    if (!solids) throw new Error('no override button');
    fireEvent.press(solids);
    fireEvent.changeText(screen.getByLabelText('Volume solids from the data sheet, %'), '41');
    fireEvent.changeText(screen.getByLabelText('Where it says so'), 'Sheet of May');
    fireEvent.press(screen.getByText('Use it'));
    expect(onOverride).toHaveBeenCalledWith('volumeSolids', {
      value: expect.closeTo(0.41, 9) as number,
      source: 'Sheet of May',
    });
  });

  it('asks for no value where nothing would take it', () => {
    renderPart(<WhySheet number={cardOf().wetFilm} onClose={jest.fn()} />);
    expect(screen.getByText('WFT = DFT · (1 + r) ÷ VS')).toBeTruthy();
    expect(screen.queryByText('Use a data sheet value')).toBeNull();
  });

  it('does not take a value no data sheet says', () => {
    const onOverride = jest.fn();
    renderPart(<WhySheet number={cardOf().sagLimit} onClose={jest.fn()} onOverride={onOverride} />);
    fireEvent.press(screen.getByText('Use a data sheet value'));
    fireEvent.changeText(screen.getByLabelText(/from the data sheet/), '900000');
    expect(screen.getByText(/must be between/)).toBeTruthy();
    fireEvent.press(screen.getByText('Use it'));
    expect(onOverride).not.toHaveBeenCalled();
  });
});

describe('drawing helpers', () => {
  it('keeps labels apart and in order, and above the floor', () => {
    const placed = spreadLabels([20, 140, 146], 17, 148);
    expect(placed[0]).toBe(20);
    expect((placed[2] ?? 0) - (placed[1] ?? 0)).toBeGreaterThanOrEqual(17);
    expect(Math.max(...placed)).toBeLessThanOrEqual(148);
  });
});
