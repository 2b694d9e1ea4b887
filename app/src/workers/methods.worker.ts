import { methodsByRoom, workOutJob, type ByMethod, type JobToWorkOut } from '@fine-spray/contract/planning';

/** The ways to do a job, or why they cannot be told. */
export type MethodsReport =
  { readonly ok: true; readonly all: readonly ByMethod[] } | { readonly ok: false; readonly message: string };

const worker = globalThis as unknown as {
  onmessage: ((event: { data: JobToWorkOut }) => void) | null;
  postMessage: (report: MethodsReport) => void;
};

worker.onmessage = ({ data }) => {
  const { work, unquantified } = workOutJob(data);
  worker.postMessage(
    work
      ? { ok: true, all: methodsByRoom(work) }
      : { ok: false, message: unquantified ?? 'There is nothing to compare yet: measure a room first.' },
  );
};
