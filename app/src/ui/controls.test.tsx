import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { BigNumber } from './number';
import { Segmented } from './segmented';
import { EmptyState, ErrorState } from './states';
import { Stepper } from './stepper';

describe('a stepper', () => {
  it('moves by one and stops at its ends', () => {
    const onChange = jest.fn();
    const { unmount } = renderPart(<Stepper label="Doors" value={0} min={0} max={2} onChange={onChange} />);
    fireEvent.press(screen.getByLabelText('Doors: one less'));
    expect(onChange).not.toHaveBeenCalled();
    fireEvent.press(screen.getByLabelText('Doors: one more'));
    expect(onChange).toHaveBeenLastCalledWith(1);
    unmount();
    renderPart(<Stepper label="Doors" value={2} min={0} max={2} onChange={onChange} />);
    fireEvent.press(screen.getByLabelText('Doors: one more'));
    expect(onChange).toHaveBeenCalledTimes(1);
  });
});

describe('a segmented choice', () => {
  it('says which is chosen and tells the other', () => {
    const onChange = jest.fn();
    renderPart(
      <Segmented
        label="Side"
        value="inside"
        onChange={onChange}
        options={[
          { value: 'inside', label: 'Inside' },
          { value: 'outside', label: 'Outside' },
        ]}
      />,
    );
    expect(screen.getByRole('radio', { name: 'Inside', checked: true })).toBeTruthy();
    expect(screen.getByRole('radio', { name: 'Outside', checked: false })).toBeTruthy();
    fireEvent.press(screen.getByText('Outside'));
    expect(onChange).toHaveBeenCalledWith('outside');
  });
});

describe('a big number', () => {
  it('stands in the large unit with the other small below', () => {
    renderPart(<BigNumber value={111e-6} kind="wetFilm" />);
    expect(screen.getByText('110')).toBeTruthy();
    expect(screen.getByText('μm')).toBeTruthy();
    expect(screen.getByText('4.5 mil')).toBeTruthy();
  });

  it('is a dash when it is no number', () => {
    renderPart(<BigNumber value={Number.NaN} kind="pressure" both={false} />);
    expect(screen.getByText('–')).toBeTruthy();
  });
});

describe('states', () => {
  it('an error says what happened and tries again', () => {
    const again = jest.fn();
    renderPart(<ErrorState title="Not now" text="The server does not answer." onRetry={again} />);
    fireEvent.press(screen.getByText('Try again'));
    expect(again).toHaveBeenCalledTimes(1);
  });

  it('an empty list says how to begin', () => {
    renderPart(<EmptyState title="No jobs yet" text="Make one." />);
    expect(screen.getByText('Make one.')).toBeTruthy();
  });
});
