import { of, setupCard } from '@fine-spray/core';
import { wallRequest } from '@fine-spray/core/testing';
import { XMLParser } from 'fast-xml-parser';
import { cardSheet, type SheetWords } from './cardSheet';

const result = setupCard(wallRequest());
if (!result.ok) throw new Error(result.message);
const card = result.value;
const say = (extra: Partial<SheetWords> = {}): SheetWords => ({
  surface: 'North wall',
  job: 'Tern Boathouse',
  coating: 'Wall matt',
  precedence: 'Labels come first.',
  ...extra,
});
const texts = (svg: string): string[] => {
  const parsed = new XMLParser({ ignoreAttributes: true }).parse(svg) as { svg: { text: unknown[] } };
  return parsed.svg.text.map(String);
};

describe('the card as a drawing', () => {
  it('says everything to set, in both units, and the caution', () => {
    const svg = cardSheet(card, say(), 'metric');
    const all = texts(svg).join(' | ');
    for (const part of [
      'North wall',
      card.tip.code,
      'bar',
      'psi',
      'Wet film',
      'Dry film',
      'mesh',
      'Labels come first',
      'Lock the trigger',
      'Wear: Respirator',
    ]) {
      expect(all).toContain(part);
    }
    expect(all).toContain('start to stop');
    expect(texts(cardSheet(card, say(), 'us')).join(' ')).toMatch(/mil/);
  });

  it('is named, and said in words for those who do not see it', () => {
    const svg = cardSheet(card, say({ surface: 'Wall <1>' }), 'metric');
    const { svg: parsed } = new XMLParser({ ignoreAttributes: false }).parse(svg) as {
      svg: { readonly title: string; readonly desc: string; readonly '@_role': string };
    };
    expect(parsed['@_role']).toBe('img');
    expect(parsed.title).toBe(`Set-up card: Wall <1>, tip ${card.tip.code}`);
    for (const part of ['Tern Boathouse', 'Wall matt', 'Wet film: ', ' bar', 'Wear: Respirator'])
      expect(parsed.desc).toContain(part);
  });

  it('puts what was dialled in before the range, and says on what it stands', () => {
    const { tip } = card.tip.candidate;
    const found = { tip, gun: of(130, 'bar'), pump: of(170, 'bar'), at: 0, sure: true, sameLine: true };
    const measured = setupCard({ ...wallRequest(), dialledIn: [found] });
    if (!measured.ok) throw new Error(measured.message);
    const all = texts(cardSheet(measured.value, say({ dialledInOn: '2026-11-20' }), 'metric')).join(' | ');
    expect(all).toContain('Gun, dialled in');
    expect(all).toContain('130 bar');
    expect(all).toContain('170 bar');
    expect(all).not.toContain('start to stop');
    expect(all).toContain('Dialled in 2026-11-20. Basis: measured on this job.');
  });

  it('keeps names that people type as text, and cuts those that would run over', () => {
    const svg = cardSheet(card, say({ surface: `<script>"&' ${'long '.repeat(60)}` }), 'metric');
    expect(svg).not.toContain('<script>');
    expect(texts(svg)[0]).toMatch(/…$/);
  });
});
