import { cautionsFor, safetyOf, type SetupRequest, type Step } from '@fine-spray/core';
import { CautionList } from '@/ui/caution';

/** The steps of the work whose cautions a screen shows: each step stands on one at least. */
export const STEPS_ON = {
  surface: ['prepare', 'spray'],
  'start-up': ['set up'],
  paint: ['check paint'],
  'dial-in': ['dial in'],
  'gun-down': ['clear a clog'],
  'shut-down': ['shut down', 'leave'],
} as const satisfies Record<string, readonly Step[]>;
export type CautionScreen = keyof typeof STEPS_ON;

/** What stands over the cautions of a step. */
export const STEP_TITLES: Readonly<Record<Step, string>> = {
  prepare: 'before you wash, scrape or sand',
  'set up': 'before you start',
  'check paint': 'while you open, thin and measure',
  'dial in': 'while you dial in',
  spray: 'at the gun',
  'clear a clog': 'while you clear a clog',
  'shut down': 'while you shut down',
  leave: 'before you leave',
};

/** The cautions of a site that belong on a screen, or of one of its steps. */
export function SiteCautions({
  request,
  screen,
  step,
}: {
  request: SetupRequest;
  screen: CautionScreen;
  step?: Step;
}) {
  const steps: readonly Step[] = step ? [step] : STEPS_ON[screen];
  const said = new Set<string>();
  return steps.map((one) => {
    const cautions = cautionsFor(safetyOf(request, one)).filter(({ code }) => !said.has(code));
    for (const { code } of cautions) said.add(code);
    return <CautionList key={one} title={STEP_TITLES[one]} cautions={cautions} />;
  });
}
