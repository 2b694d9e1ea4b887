import type { ChosenFile } from '@/data/deviceFiles';

/** A take-off or a building model that was opened before it was said for which job: on its way to that job's files. */
let waiting: ChosenFile | undefined;

/** Whether a file is a whole job; what is none belongs to one. */
export const isWholeJob = ({ name }: Pick<ChosenFile, 'name'>): boolean =>
  !/\.(csv|tsv|txt|xml|gbxml)$/i.test(name);

export const sendToJob = (file: ChosenFile): void => {
  waiting = file;
};

/** What was sent, once. */
export function sentToJob(): ChosenFile | undefined {
  const file = waiting;
  waiting = undefined;
  return file;
}
