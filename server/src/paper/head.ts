import type { Company } from '@fine-spray/contract';
import { EMERGENCY_CARDS } from '@fine-spray/core/emergency';
import type { Paper } from './page';
import type { PlannedJob } from './planned';

/** Whose paper it is: the company's name, and below it what the company wants to stand there. */
export function writeCompany(paper: Paper, { name, book }: Pick<Company, 'name' | 'book'>): void {
  paper.text(name, { strong: true });
  const head = book?.head ?? '';
  if (head !== '') paper.text(head);
}

/** What stands on top of every sheet: whose job it is, with which machine, and what to do first when someone is hurt. */
export function writeHead(paper: Paper, { company, job, kit }: PlannedJob): void {
  writeCompany(paper, company);
  paper.title(job.name);
  if (job.place !== '') paper.text(job.place);
  const sprayer = kit.sprayers.find(({ id }) => id === job.sprayerId);
  const hoses = job.hoseIds.map(
    (id) => kit.hoses.find((hose) => hose.id === id)?.name ?? 'a hose that is missing',
  );
  paper.text([sprayer?.name ?? 'A sprayer that is missing', ...hoses].join(' · '));
  if (job.note !== '') {
    paper.space(4);
    paper.text(job.note);
  }
  paper.space(8);
  paper.frame([
    `${EMERGENCY_CARDS.skin.name}: ${EMERGENCY_CARDS.skin.lead}`,
    `Say: “${EMERGENCY_CARDS.skin.say}” ${EMERGENCY_CARDS.skin.steps.join(' ')} ${EMERGENCY_CARDS.skin.never.join(' ')}`,
  ]);
}
