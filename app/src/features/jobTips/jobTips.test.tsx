import { demoCompany } from '@fine-spray/contract/testing';
import { withLayerTip } from '@fine-spray/contract/planning';
import { act, fireEvent, screen, within } from '@testing-library/react-native';
import { heldWorkers } from '@/testing/heldWorker';
import { renderPart } from '@/testing/render';
import { tipSetOf } from '@/workers/tipSet.worker';
import { JobTips } from './JobTipsScreen';

const { kit, jobs } = demoCompany();
const tern = jobs.find(({ job }) => job.name === 'Tern Boathouse');
if (!tern) throw new Error('no Tern Boathouse');

const open = () => {
  const held = heldWorkers(tipSetOf);
  renderPart(<JobTips job={tern.job} surfaces={tern.surfaces} kit={kit} startWorker={held.startWorker} />);
  return held;
};
const answer = () => within(screen.getByTestId('job-tips-answer'));

describe('tips for the job', () => {
  it('are far fewer than one of its best for each finish, ours first', () => {
    const set = tipSetOf({ ...tern, kit, wish: { loss: 0.1 } });
    // The demo asked for twelve and more, eight of them to buy
    expect(set.tips.length).toBeLessThanOrEqual(7);
    expect(set.tips.filter(({ ours }) => !ours).length).toBeLessThanOrEqual(2);
    expect([set.beyond, set.without]).toEqual([[], []]);
    for (const { loss } of set.uses) expect(loss).toBeLessThanOrEqual(0.1);
    const layers = tern.surfaces.reduce((sum, { under }) => sum + under.length + 1, 0);
    expect(new Set(set.uses.map(({ id }) => id)).size).toBe(layers);
    expect(set.changes).toBeLessThanOrEqual(set.changesAtBest);
  });

  it('are for primers too: a layer has its own tip, kept by that layer alone', () => {
    const primer = kit.coatings.find(({ archetype }) => archetype === 'board-primer');
    const wall = tern.surfaces.find(({ name }) => name === 'North wall');
    if (!primer || !wall) throw new Error('no wall');
    const prime = { role: 'prime', coatingId: primer.id, coats: 1, thinning: 0, share: 1 } as const;
    const primed = { ...wall, under: [prime] };
    const set = tipSetOf({ job: tern.job, kit, surfaces: [primed], wish: { loss: 0.1 } });
    expect(set.uses.map(({ id }) => id)).toEqual([`${wall.id} under 0`, `${wall.id} finish`]);
    const held = heldWorkers(tipSetOf);
    renderPart(<JobTips job={tern.job} surfaces={[primed]} kit={kit} startWorker={held.startWorker} />);
    held.latest().finish();
    expect(screen.getAllByText(/North wall, prime/).length).toBeGreaterThan(0);
    expect(screen.getByTestId('tip-changes')).toHaveTextContent(/the tip changes never within a coating/);
    const under = withLayerTip(primed, 'under 0', { family: 'standard', code: '515' });
    expect([under.tip, under.under[0]?.tip?.code]).toEqual([primed.tip, '515']);
    expect(withLayerTip(primed, 'finish', { family: 'standard', code: '517' }).tip?.code).toBe('517');
  });

  it('say how many there are and how many to buy, each with its surfaces, and follow what one wants', () => {
    const { latest } = open();
    expect(screen.queryByTestId('job-tips-answer')).toBeNull();
    latest().finish();
    expect(answer().getByText(/^\d tips, (all ours|\d to buy)$/)).toBeTruthy();
    expect(answer().getByText(/^Every coat stays within 10 % of its best tip\.$/)).toBeTruthy();
    expect(screen.getAllByTestId('job-tip').length).toBeGreaterThan(2);
    fireEvent.press(screen.getByRole('radio', { name: 'Only ours' }));
    expect(answer().getByText('Working …')).toBeTruthy();
    latest().finish();
    expect(answer().getByText(/, all ours$/)).toBeTruthy();
    fireEvent.press(screen.getByRole('radio', { name: '2' }));
    latest().finish();
    expect(screen.getAllByTestId('job-tip').length).toBeLessThanOrEqual(2);
    expect(answer().getByText(/cannot stay within 10 %/)).toBeTruthy();
  });

  it('say so where the device gives no answer', () => {
    const { latest } = open();
    act(() => latest().onerror?.());
    expect(screen.getByText(/could not be worked out/)).toBeTruthy();
  });
});
