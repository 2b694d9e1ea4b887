import { fileName } from './deviceFiles';

describe('the name of a file', () => {
  it('keeps words and drops what a device may not take', () => {
    expect(fileName('Kiln House, ground floor', 'csv')).toBe('kiln-house-ground-floor.csv');
    expect(fileName('../../etc: Büro ½', 'json')).toBe('etc-buro-12.json');
    expect(fileName('🎨', 'svg')).toBe('fine-spray.svg');
    expect(fileName('x'.repeat(300), 'csv').length).toBe(64);
  });
});
