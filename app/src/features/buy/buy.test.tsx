import type { CoatingOrder } from '@fine-spray/contract/planning';
import { jobModel, of, paintDistributions } from '@fine-spray/core';
import { wallRequest } from '@fine-spray/core/testing';
import { act, fireEvent, screen, within } from '@testing-library/react-native';
import { useState } from 'react';
import { heldWorkers } from '@/testing/heldWorker';
import { renderPart } from '@/testing/render';
import { Button } from '@/ui/button';
import type { PurchaseOrder, PurchaseReport } from '@/workers/purchase.worker';
import { BuyList } from './BuyList';

function draw({ demands, draws, seed }: PurchaseOrder): PurchaseReport {
  const result = paintDistributions(jobModel(demands), { draws, seed });
  if (!result.ok) throw new Error(result.message);
  return { kind: 'done', distributions: result.value };
}

const request = wallRequest();
const order = (id: string, name: string): CoatingOrder => ({
  id,
  name,
  coating: request.coating,
  hoses: request.hoses,
  fills: 1,
  onSale: [2.5, 10].map((litres) => ({ size: of(litres, 'L'), price: null })),
  surfaces: [{ id: 'a', surface: request, netArea: 60, share: 1, triggerTime: 3600 }],
});

function open(orders: readonly CoatingOrder[] = [order('m', 'Interior wall satin, water-borne')]) {
  const held = heldWorkers(draw);
  renderPart(
    <BuyList
      job={{ id: 'j', name: 'Tern Boathouse', empty: false }}
      places={[]}
      surfaces={[]}
      kit={{ coatings: [] }}
      orders={orders}
      startWorker={held.startWorker}
    />,
  );
  return held;
}
const litresBought = () => {
  const text = screen.getByText(/L, enough/).props.children as string;
  return Number(/^([\d.]+)/.exec(text)?.[1]);
};

describe('the buy list', () => {
  it('shows what to buy largest, with how sure it is, and more for more certainty', () => {
    const { latest } = open();
    expect(screen.queryByTestId('coating-to-buy')).toBeNull();
    latest().finish();
    const line = within(screen.getByTestId('coating-to-buy'));
    expect(line.getByText(/^\d+\s×\s(10|2.5)\sL/)).toBeTruthy();
    expect(line.getByText(/enough .*\d+ times in 100/)).toBeTruthy();
    expect(line.getByLabelText(/^Between .* asked for, .* in containers$/)).toBeTruthy();
    const usual = litresBought();
    fireEvent.press(screen.getByRole('radio', { name: '19 in 20' }));
    const sure = litresBought();
    fireEvent.press(screen.getByRole('radio', { name: '1 time in 2' }));
    const even = litresBought();
    expect(sure).toBeGreaterThan(even);
    expect(usual).toBeGreaterThanOrEqual(even);
    expect(usual).toBeLessThanOrEqual(sure);
    // Changing one's mind about the risk draws nothing anew
    expect(latest().ended).toBe(false);
  });

  it('opens where the paint goes and what makes it unsure', () => {
    const { latest } = open();
    latest().finish();
    fireEvent.press(screen.getByTestId('coating-to-buy'));
    for (const step of [
      'Dry film on flat surfaces',
      'Beside the pieces and in the air',
      'Fills hose and pump',
    ]) {
      expect(screen.getByText(step)).toBeTruthy();
    }
    expect(screen.getByText(/^Speed of the gun hand: \d+ % of it$/)).toBeTruthy();
    expect(screen.getByText('Read the comb more often.')).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Close' }));
    expect(screen.queryByText('Where it goes', { exact: true })).toBeTruthy();
    expect(screen.queryByText('Beside the pieces and in the air')).toBeNull();
  });

  it('says what went wrong and tries again', () => {
    const { latest, workers } = open();
    act(() => latest().onerror?.());
    expect(screen.getByText(/could not be drawn on this device/)).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: /again/i }));
    expect(workers).toHaveLength(2);
    expect(workers[0]?.ended).toBe(true);
    latest().finish();
    expect(screen.getByTestId('coating-to-buy')).toBeTruthy();
  });

  it('puts what comes later below what can be pressed, so that nothing moves from under a thumb', () => {
    const { latest } = open();
    latest().finish();
    const shown = JSON.stringify(screen.toJSON());
    const at = (text: string) => shown.indexOf(`"${text}"`);
    expect(at('Buy list, CSV')).toBeGreaterThan(0);
    expect(at('What it costs you')).toBeGreaterThan(at('Buy list, CSV'));
  });

  it('keeps numbers with what they were drawn for while others are drawn', () => {
    const held = heldWorkers(draw);
    const two = [order('m', 'Interior wall matt'), order('t', 'Trim enamel')];
    function Job() {
      const [orders, setOrders] = useState<readonly CoatingOrder[]>(two);
      return (
        <>
          <Button label="One goes" onPress={() => setOrders(two.slice(1))} />
          <BuyList
            job={{ id: 'j', name: 'Tern Boathouse', empty: false }}
            places={[]}
            surfaces={[]}
            kit={{ coatings: [] }}
            orders={orders}
            startWorker={held.startWorker}
          />
        </>
      );
    }
    renderPart(<Job />);
    held.latest().finish();
    fireEvent.press(screen.getByRole('button', { name: 'One goes' }));
    expect(screen.getAllByTestId('coating-to-buy')).toHaveLength(2);
    held.latest().finish();
    expect(within(screen.getByTestId('coating-to-buy')).getByText('Trim enamel')).toBeTruthy();
  });
});
