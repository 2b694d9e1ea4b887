import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { Text, View } from 'react-native';
import { LongList } from './longList';

const ROWS = Array.from({ length: 400 }, (_, index) => `row ${index}`);
const ROW = 50;
const HEAD = 3000;
const WINDOW = 800;

describe('a long list under a high head', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it.each([0, 20, 150, 380])('draws what is in sight when row %i is at the top', (top) => {
    render(
      <LongList
        items={ROWS}
        keyOf={(row) => row}
        heightOf={() => ROW}
        first={10}
        windows={3}
        head={<View testID="head" />}
        renderItem={(row) => <Text>{row}</Text>}
      />,
    );
    const list = screen.getByTestId('long-list');
    const layout = (height: number) => ({ nativeEvent: { layout: { x: 0, y: 0, width: 390, height } } });
    const whole = HEAD + ROWS.length * ROW;
    act(() => {
      fireEvent(screen.getByTestId('long-list-head'), 'layout', layout(HEAD));
      fireEvent(list, 'layout', layout(WINDOW));
      fireEvent(list, 'contentSizeChange', 390, whole);
    });
    const at = Math.min(HEAD + top * ROW, whole - WINDOW);
    fireEvent.scroll(list, {
      nativeEvent: {
        contentOffset: { x: 0, y: at },
        contentSize: { width: 390, height: whole },
        layoutMeasurement: { width: 390, height: WINDOW },
      },
    });
    for (let pass = 0; pass < 40; pass += 1) act(() => jest.advanceTimersByTime(50));
    const first = Math.floor((at - HEAD) / ROW);
    const inSight = ROWS.slice(first, first + WINDOW / ROW);
    expect(inSight.filter((row) => screen.queryByText(row) === null)).toEqual([]);
    expect(screen.queryByText(ROWS[(first + 200) % ROWS.length] ?? '')).toBeNull();
  });
});
