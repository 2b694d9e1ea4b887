import { newSurface, type SetupSurface } from '@fine-spray/contract/planning';
import type { Opening, SheetGeometry } from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { renderPart } from '@/testing/render';
import { coatingRow } from '@/testing/rows';
import { MachinePart } from './MachinePart';
import { WhatPart } from './WhatPart';
import { WithPart } from './WithPart';

const coatings = [coatingRow('v', 'Varnish', 'clear-varnish'), coatingRow('m', 'Wall matt', 'wall-matt')];
const start = newSurface('j', coatings, 10, 'Hall');

let surface: SetupSurface;
let invalid: Record<string, string | undefined>;

function Form({ first, errors = {} }: { first: SetupSurface; errors?: Record<string, string> }) {
  const [now, setNow] = useState(first);
  surface = now;
  const part = {
    surface: now,
    errors,
    onChange: (change: Partial<SetupSurface>) => setNow((before) => ({ ...before, ...change })),
    onInvalid: (field: string, message: string | undefined) => {
      invalid = { ...invalid, [field]: message };
    },
  };
  return (
    <>
      <WhatPart {...part} coatings={coatings} fromPlace={false} />
      <WithPart {...part} coatings={coatings} />
      <MachinePart
        {...part}
        tip={now.tip}
        onTip={(tip) => part.onChange({ tip })}
        job={{ sprayerId: '', hoseIds: [], lift: 0 }}
        kit={{ coatings, sprayers: [], hoses: [], tips: [] }}
        bestTip={{ code: '517', family: 'standard' }}
        onLine={undefined}
      />
    </>
  );
}

function show(change: Partial<SetupSurface> = {}, errors: Record<string, string> = {}): void {
  if (!start) throw new Error('no start');
  invalid = {};
  renderPart(<Form first={{ ...start, ...change }} errors={errors} />);
}
const press = (label: string) => fireEvent.press(screen.getByLabelText(label));
const type = (label: string, text: string) => fireEvent.changeText(screen.getByLabelText(label), text);
/** The sizes typed into the form. */
function sizes(of: SetupSurface | undefined = surface): SheetGeometry {
  if (!of || !('width' in of.geometry)) throw new Error('no sizes');
  return of.geometry;
}
const openings = (): readonly Opening[] => sizes().openings;

describe('a new surface', () => {
  it('starts as a wall with a wall coating, in the room last worked on, with nothing empty', () => {
    expect(start).toMatchObject({ element: 'wall', coatingId: 'm', room: 'Hall', coats: 2, tip: null });
    expect(sizes(start).width).toBeGreaterThan(1);
  });

  it('cannot be made without any coating', () => {
    expect(newSurface('j', [], 0, '')).toBeUndefined();
  });
});

describe('the kind of piece', () => {
  const choose = (label: string) => {
    fireEvent.press(screen.getByLabelText(/^Piece: /));
    fireEvent.press(screen.getByRole('radio', { name: label }));
  };

  it('brings its own words, sizes and a coating made for it; sizes typed before come back', () => {
    show({}, {});
    type('Width, m', '6.5');
    choose('Door');
    expect(surface).toMatchObject({
      element: 'door',
      kind: 'planed-timber',
      geometry: { shape: 'item', item: 'door', faces: 2, count: 1 },
    });
    expect(screen.queryByText('Gable')).toBeNull();
    expect(screen.queryByLabelText('Doors: one more')).toBeTruthy();
    press('Doors: one more');
    fireEvent.press(screen.getByText('One side'));
    expect(surface.geometry).toMatchObject({ faces: 1, count: 2 });
    type('Height, m', '0');
    expect(surface.geometry).not.toMatchObject({ sizes: { height: 0 } });
    expect(Object.values(invalid).find((one) => one !== undefined)).toMatch(/^Height must be between/);
    choose('Wall');
    expect(sizes().width).toBe(6.5);
    choose('Door');
    expect(surface.geometry).toMatchObject({ faces: 1, count: 2 });
  });

  it('asks a ceiling for its length and width, with no gable and no doors in it', () => {
    show();
    choose('Ceiling');
    expect(screen.getByLabelText('Length, m')).toBeTruthy();
    expect(screen.queryByText('Gable')).toBeNull();
    expect(screen.queryByLabelText('Doors: one more')).toBeNull();
    expect(screen.getByLabelText('Windows: one more')).toBeTruthy();
  });

  it('stays what it is where it is known by its area alone', () => {
    show({
      element: 'trim',
      geometry: { shape: 'rectangle', width: 12, height: 0.1, count: 1, openings: [] },
    });
    expect(screen.getByLabelText(/^Piece: Trim, by its area/)).toBeTruthy();
    expect(screen.queryByText('Gable')).toBeNull();
    expect(screen.queryByLabelText('Windows: one more')).toBeNull();
  });
});

describe('openings', () => {
  it('come with a usual size, by the stepper', () => {
    show();
    press('Doors: one more');
    expect(openings()).toEqual([
      expect.objectContaining({ kind: 'door', width: 0.9, height: 2.1, count: 1 }),
    ]);
    press('Doors: one more');
    expect(openings()[0]?.count).toBe(2);
    press('Windows: one more');
    expect(openings().map(({ kind }) => kind)).toEqual(['door', 'window']);
  });

  it('change size, and go when there are none of them', () => {
    show();
    press('Windows: one more');
    type('Window width, m', '1.8');
    expect(openings()[0]?.width).toBe(1.8);
    press('Windows: one less');
    expect(openings()).toEqual([]);
  });

  it('keep the last good size while what is typed cannot be taken, and hold nothing up once they are gone', () => {
    show();
    press('Doors: one more');
    const field = `${openings()[0]?.id ?? ''}.width`;
    type('Door width, m', 'wide');
    expect(openings()[0]?.width).toBe(0.9);
    expect(invalid[field]).toMatch(/not a number/);
    press('Doors: one less');
    expect(invalid[field]).toBeUndefined();
  });
});

describe('the shape', () => {
  it('asks for the ridge of a gable, starting above the eaves, and forgets it for a rectangle', () => {
    show();
    fireEvent.press(screen.getByText('Gable'));
    expect(sizes().ridge).toBeGreaterThan(sizes().height);
    type('Height at the ridge, m', '5.5');
    expect(sizes().ridge).toBe(5.5);
    fireEvent.press(screen.getByText('Rectangle'));
    expect(sizes().ridge).toBeUndefined();
  });
});

describe('wind', () => {
  it('is asked for outside only', () => {
    show();
    expect(screen.queryByText('Breeze')).toBeNull();
    fireEvent.press(screen.getByText('Outside'));
    fireEvent.press(screen.getByText('Breeze'));
    expect(surface).toMatchObject({ side: 'outside', wind: 'breeze' });
  });
});

describe('thinning', () => {
  it('stops at the limit of the coating', () => {
    show();
    type('Thinner, per volume of paint, %', '4');
    expect(surface.thinning).toBeCloseTo(0.04, 9);
    type('Thinner, per volume of paint, %', '6');
    expect(surface.thinning).toBeCloseTo(0.04, 9);
    expect(screen.getByText(/must be between 0 % and 5 %/)).toBeTruthy();
    expect(invalid['thinning']).toMatch(/between/);
  });
});

describe('the tip', () => {
  it('is the best one until another is asked for', () => {
    show();
    expect(screen.getByText(/best one for this surface: 517/)).toBeTruthy();
    fireEvent.press(screen.getByText('Use another tip'));
    expect(surface.tip).toEqual({ code: '517', family: 'standard' });
  });

  it('keeps the tip as it was while a code cannot be read, and says why', () => {
    show({ tip: { code: '517', family: 'standard' } });
    const label = 'Tip number, as it stands on the tip';
    type(label, '51');
    expect(surface.tip?.code).toBe('517');
    expect(screen.getByText(/three or four digits, such as/)).toBeTruthy();
    expect(invalid['tip']).toBeDefined();
    type(label, '514');
    expect(surface.tip).toEqual({ code: '514', family: 'fine-finish' });
    type(label, '10 21 std');
    expect(surface.tip?.code).toBe('1021');
    expect(invalid['tip']).toBeUndefined();
    fireEvent.press(screen.getByText('Back to the best tip'));
    expect(surface.tip).toBeNull();
  });

  it('shows a refusal of the core at its field', () => {
    show({ tip: { code: '527', family: 'standard' } }, { tip: 'Over the limit of this sprayer.' });
    expect(screen.getByText('Over the limit of this sprayer.')).toBeTruthy();
  });
});
