import { EMERGENCY_CARDS, EMERGENCY_IDS } from '@fine-spray/core/emergency';
import { fireEvent, screen } from '@testing-library/react-native';
import { toCall, wrongNumber } from '@/data/emergencyNumbers';
import { renderPart } from '@/testing/render';
import { EmergencyScreen } from './EmergencyScreen';

describe('the emergency screen', () => {
  it('opens on paint under the skin and leads to every other card', () => {
    renderPart(<EmergencyScreen />);
    expect(screen.getByText(EMERGENCY_CARDS.skin.lead)).toBeTruthy();
    fireEvent.press(screen.getByText('In the eye'));
    expect(screen.getByText(EMERGENCY_CARDS.eye.lead)).toBeTruthy();
    for (const id of EMERGENCY_IDS.filter((one) => one !== 'skin' && one !== 'eye')) {
      fireEvent.press(screen.getByRole('button', { name: EMERGENCY_CARDS[id].name }));
      expect(screen.getByText(EMERGENCY_CARDS[id].lead)).toBeTruthy();
      for (const line of [...EMERGENCY_CARDS[id].steps, ...EMERGENCY_CARDS[id].never])
        expect(screen.getByText(line)).toBeTruthy();
    }
  });

  it('calls the number of the place once it is set, and refuses what is none', () => {
    renderPart(<EmergencyScreen />);
    expect(screen.getByLabelText('Call 112')).toBeTruthy();
    expect(screen.getByLabelText('Call 911')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Emergency number'), 'the boss');
    expect(screen.getByText(/A number has digits/)).toBeTruthy();
    expect(screen.getByLabelText('Call 112')).toBeTruthy();
    fireEvent.changeText(screen.getByLabelText('Emergency number'), '999');
    expect(screen.queryByText(/A number has digits/)).toBeNull();
    expect([toCall('999'), toCall(''), toCall('x')]).toEqual([['999'], ['112', '911'], ['112', '911']]);
    expect([wrongNumber('+44 20 7946 0000'), wrongNumber('')]).toEqual([undefined, undefined]);
    expect(wrongNumber('12; drop')).toMatch(/digits/);
  });
});
