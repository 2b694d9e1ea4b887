import { of, setupCard, show, type SetupRequest } from '@fine-spray/core';
import { simulateAll } from '@fine-spray/core/testing';
import { wallRequest } from '@fine-spray/core/testing';
import { act, fireEvent, screen, within } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import { renderPart } from '@/testing/render';
import type { FilmReport, FilmRequest } from '@/workers/film.worker';
import { filmBands } from '@/workers/filmBands';
import { FilmSheet } from './FilmSheet';

function lay({ job, wanted }: FilmRequest): FilmReport {
  const result = simulateAll(job);
  if (!result.ok) throw new Error(result.message);
  const { minimum, sagLimit } = job.limits;
  return { kind: 'done', film: filmBands(result.value, { minimum, sagLimit, wanted }) };
}

const request = wallRequest({
  geometry: { shape: 'rectangle', width: 3, height: 2.4, count: 1, openings: [] },
  hoses: [{ length: of(15, 'm'), bore: of(3 / 8, 'in') }],
});

function open(of: SetupRequest = request) {
  const card = setupCard(of);
  if (!card.ok) throw new Error(card.message);
  const { workers, startWorker, latest } = heldWorkers(lay);
  const onClose = jest.fn();
  renderPart(<FilmSheet request={of} card={card.value} onClose={onClose} startWorker={startWorker} />);
  return { card: card.value, workers, latest, onClose };
}

describe('the film on the wall', () => {
  it('shows its progress, then the mean film as the largest thing and what is thin or over', () => {
    const { latest } = open();
    latest().report({ kind: 'progress', share: 0.4 });
    expect(screen.getByText('Laying the passes: 40 %')).toBeTruthy();
    latest().finish();
    expect(screen.queryByText(/Laying the passes/)).toBeNull();
    expect(screen.getByTestId('film-mean')).toHaveTextContent(/^1[01]\d\s?μm/);
    expect(screen.getByTestId('film-verdict')).toHaveTextContent(
      /is thinner than 90 μm\. Nothing is over the sag limit of 200 μm/,
    );
    expect(screen.getByTestId('film-picture')).toBeTruthy();
  });

  it('is the film of the card however high the piece is, to a hair', () => {
    for (const height of [0.12, 2, 2.25, 2.5]) {
      const { latest, card } = open({
        ...request,
        geometry: { shape: 'rectangle', width: 4, height, count: 1, openings: [] },
      });
      latest().finish();
      const wanted = show(card.wetFilm.value, 'wetFilm', 'metric').number;
      expect(within(screen.getByTestId('film-mean')).getByText(wanted)).toBeTruthy();
      screen.unmount();
    }
  });

  it('can be stopped, which ends the worker, and started again', () => {
    const { latest, workers } = open();
    fireEvent.press(screen.getByRole('button', { name: 'Stop' }));
    expect(latest().ended).toBe(true);
    expect(screen.getByText('Stopped. Nothing was kept.')).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Lay the passes' }));
    expect(workers).toHaveLength(2);
    latest().finish();
    expect(screen.getByTestId('film-mean')).toBeTruthy();
  });

  it('lays another film with a usual hand, and another with each try', () => {
    const { latest, workers } = open();
    latest().finish();
    const steady = latest().order?.job.strokes;
    fireEvent.press(screen.getByRole('radio', { name: 'Usual hand' }));
    expect(workers[0]?.ended).toBe(true);
    latest().finish();
    const usual = latest().order?.job.strokes;
    expect(usual).not.toEqual(steady);
    fireEvent.press(screen.getByRole('button', { name: 'Another try' }));
    expect(latest().order?.job.strokes).not.toEqual(usual);
  });

  it('opens the numbers of the plan', () => {
    open().latest().finish();
    fireEvent.press(screen.getByText('Misses the piece'));
    expect(screen.getByText('Paint that misses the piece')).toBeTruthy();
  });

  it('says why there is no film', () => {
    const { latest } = open();
    latest().report({
      kind: 'refused',
      refusal: {
        ok: false,
        code: 'grid.size',
        field: 'cell',
        message: 'That is more than four million cells.',
      },
    });
    expect(screen.getByText('That is more than four million cells.')).toBeTruthy();
    act(() => latest().onerror?.());
    expect(screen.getByText('The film could not be worked out on this device.')).toBeTruthy();
  });
});
