import { readFileSync } from 'node:fs';
import path from 'node:path';
import { jobFile, kitFile, type Job } from '@fine-spray/contract';
import { layersOf, requestFor, type Kit } from '@fine-spray/contract/planning';
import {
  CAUTIONS,
  STEPS,
  archetypeOf,
  cautionsFor,
  safetyOf,
  type CautionCode,
  type SetupRequest,
} from '@fine-spray/core';
import { fireEvent, screen } from '@testing-library/react-native';
import { renderPart } from '@/testing/render';
import { row } from '@/testing/rows';
import { STEPS_ON, SiteCautions, type CautionScreen } from './SiteCautions';

const read = (name: string): unknown =>
  JSON.parse(readFileSync(path.resolve(__dirname, '../../../../demo', name), 'utf8'));
const stored = <Row extends object>(rows: readonly Row[]) => rows.map((one) => ({ ...one, ...row }));
const company = kitFile.parse(read('millrace.kit.json'));
const kit: Kit = {
  coatings: stored(company.coatings),
  sprayers: stored(company.sprayers),
  hoses: stored(company.hoses),
  tips: stored(company.tips),
};
const SOLVENT = kit.coatings
  .filter(({ archetype }) => archetypeOf(archetype).base === 'solvent')
  .map(({ id }) => id);
const JOBS = ['kiln-house', 'orchard-row-3', 'tern-boathouse'].map((name) =>
  jobFile.parse(read(`${name}.job.json`)),
);

interface Shown {
  readonly screen: CautionScreen;
  readonly where: string;
  readonly request: SetupRequest;
}

/** Every set-up of the demo jobs, and each of them with one thing about the site changed. */
function* situations(): Generator<{ where: string; request: SetupRequest }> {
  for (const { job, surfaces } of JOBS) {
    const plain: Job = { ...job, ...row, surfaceCount: surfaces.length };
    const changed: readonly (readonly [string, Kit, Job])[] = [
      ['as it is', kit, plain],
      ['old paint', kit, { ...plain, paintAge: 'old' }],
      ['paint of unknown age', kit, { ...plain, paintAge: 'unknown' }],
      ['after rain', { ...kit, rainedOn: [job.id] }, plain],
      ['on a hot day', { ...kit, hotOn: [job.id] }, plain],
      ...kit.sprayers.map(({ id, name }) => [name, kit, { ...plain, sprayerId: id }] as const),
      ...(['unknown', 'isocyanate'] as const).map(
        (hardener) =>
          [
            `hardener ${hardener}`,
            { ...kit, coatings: kit.coatings.map((one) => ({ ...one, hardener })) },
            plain,
          ] as const,
      ),
    ];
    for (const [what, kitNow, jobNow] of changed) {
      for (const one of stored(surfaces)) {
        for (const layer of layersOf(one)) {
          // As it is planned, and with each solvent-borne coating of the kit in its place.
          for (const coatingId of [layer.coatingId, ...SOLVENT]) {
            const request = requestFor(one, jobNow, kitNow, { ...layer, coatingId });
            if (request) yield { where: `${job.name}, ${one.name}, ${what}`, request };
          }
        }
      }
    }
  }
}

const found = new Map<CautionCode, Shown>();
for (const { where, request } of situations()) {
  for (const [name, steps] of Object.entries(STEPS_ON)) {
    for (const step of steps) {
      for (const { code } of cautionsFor(safetyOf(request, step))) {
        if (!found.has(code)) found.set(code, { screen: name as CautionScreen, where, request });
      }
    }
  }
}

describe('cautions on screens', () => {
  it('leave out no step of the work', () => {
    const shown = Object.values(STEPS_ON).flat();
    for (const step of STEPS) expect(shown).toContain(step);
  });

  it.each(CAUTIONS.map(({ code, what }) => [code, what] as const))(
    '%s is reached in a job, and shown on its screen',
    (code, what) => {
      const here = found.get(code);
      if (!here) throw new Error(`no job shows ${code}`);
      renderPart(<SiteCautions request={here.request} screen={here.screen} />);
      expect([here.where, screen.getAllByText(what).length]).toEqual([here.where, 1]);
    },
  );

  it('say why at a tap', () => {
    const here = found.get('injection');
    if (!here) throw new Error('no injection');
    const { what, why } = CAUTIONS.find(({ code }) => code === 'injection') ?? CAUTIONS[0];
    renderPart(<SiteCautions request={here.request} screen={here.screen} />);
    expect(screen.queryByText(why)).toBeNull();
    fireEvent.press(screen.getByText(what));
    expect(screen.getByText(why)).toBeTruthy();
  });
});
