import { flowWords, otherSchoolWords, readTypedTip, tipWords } from '.';

const read = (text: string) => {
  const found = readTypedTip(text);
  if (!found.ok) throw new Error(found.message);
  const { code, family, madeAs } = found.value;
  return [code.fan, code.orificeThou, family, madeAs.includes(family ?? 'standard')];
};

describe('a tip number as it is typed', () => {
  it.each([
    ['517', [5, 17, undefined, true]],
    [' 12 23 ', [12, 23, undefined, true]],
    ['0.517', [5, 17, undefined, true]],
    ['.517', [5, 17, undefined, true]],
    ['5-17', [5, 17, undefined, true]],
    ['517 FF', [5, 17, 'fine-finish', true]],
    ['517ff', [5, 17, undefined, true]],
    ['fine finish 410', [4, 10, 'fine-finish', true]],
    ['LP 515', [5, 15, 'low-pressure', true]],
    ['no. 515 low pressure', [5, 15, 'low-pressure', true]],
    ['1223 wide', [12, 23, 'wide', true]],
    // Even orifices are made as fine-finish alone
    ['208', [2, 8, undefined, false]],
  ] as const)('%s is understood', (text, expected) => {
    expect(read(text)).toEqual(expected);
  });

  it.each([
    ['', /three or four digits/],
    ['fine', /three or four digits/],
    ['5', /three or four digits/],
    ['51799', /three or four digits/],
    ['501', /no orifice of 1 thou/],
    ['2517', /no fan 25/],
    ['2454', /No family is made as 2454/],
  ])('%s is refused with a sentence', (text, message) => {
    const found = readTypedTip(text);
    expect(found).toMatchObject({ ok: false, field: 'tip' });
    expect(!found.ok && found.message).toMatch(message);
  });

  it('is said in words: fan, hole, the other school, and its paint beside another', () => {
    expect(tipWords({ fan: 2, orificeThou: 8 }, 'metric')).toBe('208: 102 mm fan, 0.20 mm hole');
    expect(tipWords({ fan: 5, orificeThou: 17 }, 'us')).toBe('517: 10 in fan, 0.017 in hole');
    expect(otherSchoolWords({ fan: 5, orificeThou: 17 }, 'metric')).toMatch(/254 mm; .* 284 mm/);
    expect(otherSchoolWords({ fan: 20, orificeThou: 17 }, 'metric')).toMatch(/no width/);
    // (26/13)² = 4, (17/15)² = 1.284, (13/15)² = 0.751
    const beside = { fan: 5, orificeThou: 15 };
    expect(flowWords({ fan: 5, orificeThou: 26 }, { fan: 5, orificeThou: 13 })).toMatch(
      /^4 times the paint of 513: twice/,
    );
    expect(flowWords({ fan: 5, orificeThou: 17 }, beside)).toMatch(/^28 % more paint than 515/);
    expect(flowWords({ fan: 5, orificeThou: 13 }, beside)).toMatch(/^25 % less paint than 515/);
    expect(flowWords({ fan: 3, orificeThou: 15 }, beside)).toBe('As much paint as 515.');
  });
});
