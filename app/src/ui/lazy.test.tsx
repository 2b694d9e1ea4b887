import { fireEvent, screen, within } from '@testing-library/react-native';
import type { ComponentType, ReactNode } from 'react';
import { View } from 'react-native';
import { renderPart } from '@/testing/render';
import { fetchedLater } from './lazy';
import { Words } from './text';

const Greeting = ({ name }: { name: string }) => <Words>{`Here is ${name}`}</Words>;
const waiting = <Words>Waiting</Words>;

describe('a part that is fetched later', () => {
  it('shows what comes while it is fetched, then itself with its props', async () => {
    const Later = fetchedLater(() => Promise.resolve<ComponentType<{ name: string }>>(Greeting), waiting);
    renderPart(<Later name="Wren" />);
    expect(screen.getByText('Waiting')).toBeTruthy();
    expect(await screen.findByText('Here is Wren')).toBeTruthy();
  });

  it('says when it cannot be fetched, and tries again when asked', async () => {
    const silent = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    let asked = 0;
    const Later = fetchedLater(() => {
      asked += 1;
      return asked === 1 ? Promise.reject(new Error('no answer')) : Promise.resolve(Greeting);
    }, waiting);
    renderPart(<Later name="Wren" />);
    expect(await screen.findByText('This part of the program is not here yet')).toBeTruthy();
    fireEvent.press(screen.getByRole('button', { name: 'Try again' }));
    expect(await screen.findByText('Here is Wren')).toBeTruthy();
    expect(asked).toBe(2);
    silent.mockRestore();
  });

  it('has around what comes, and what failed, what it has around itself', async () => {
    const silent = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const around = (shown: ReactNode, { name }: { name: string }) => (
      <View aria-label={`For ${name}`}>{shown}</View>
    );
    const Later = fetchedLater(() => Promise.reject(new Error('no answer')), waiting, around);
    renderPart(<Later name="Wren" />);
    const frame = () => within(screen.getByLabelText('For Wren'));
    expect(frame().getByText('Waiting')).toBeTruthy();
    expect(await screen.findByText('This part of the program is not here yet')).toBeTruthy();
    expect(frame().getByRole('button', { name: 'Try again' })).toBeTruthy();
    silent.mockRestore();
  });
});
