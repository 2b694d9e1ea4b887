import { capital } from '../units';
import type { Action } from './actions';
import type { Machine, MachineSite } from './machine';
import { RULES, brokenBy, type Field } from './rules';
import type { ProcedureStep } from './steps';

interface Touched {
  readonly id: string;
  readonly reads: ReadonlySet<Field>;
  readonly writes: ReadonlySet<Field>;
}

/** A change with the fields it stands on, as it looks at them. */
function changeOf({ change }: Action, machine: Machine, rig: MachineSite) {
  const reads = new Set<Field>();
  const seen = new Proxy(machine, {
    get(target, field: string) {
      reads.add(field as Field);
      return target[field as Field];
    },
  });
  return { change: change(seen, rig), reads };
}

const meet = (some: ReadonlySet<Field>, others: ReadonlySet<Field>) =>
  [...some].some((field) => others.has(field));

/** Actions as one sentence. */
function sentence(actions: readonly Action[], machine: Machine, rig: MachineSite): string {
  const clauses = actions.map(({ words }) => words(machine, rig));
  return `${capital(clauses.join(', '))}.`;
}

/**
 * A list as a path of a machine: each step is actions on the state that the one before left. What a step says, how the
 * machine stands after it, and which steps come before it all follow from its actions: a step comes after every one that
 * has set what its rules look at, and before every one that changes it.
 */
export class Path {
  readonly steps: ProcedureStep[] = [];
  private readonly touched: Touched[] = [];
  private state: Machine;

  constructor(
    first: Machine,
    private readonly rig: MachineSite,
  ) {
    this.state = first;
  }

  /** How the machine stands now. */
  get machine(): Machine {
    return this.state;
  }

  /**
   * Adds a step of one sentence for each group of actions.
   * @throws Error naming step and rule when an action breaks one: a list is wrong, not somebody's input
   */
  step(id: string, why: string, sentences: readonly (readonly Action[])[], doubt?: string): this {
    const reads = new Set<Field>();
    const writes = new Set<Field>();
    const what: string[] = [];
    for (const actions of sentences) {
      what.push(sentence(actions, this.state, this.rig));
      for (const action of actions) {
        const { change, reads: looked } = changeOf(action, this.state, this.rig);
        const after = { ...this.state, ...change };
        const rule = brokenBy(this.state, after, this.rig);
        if (rule) throw new Error(`${id}: ${action.words(this.state, this.rig)}: ${rule.code}`);
        const changed = Object.keys(change) as Field[];
        for (const { fields } of RULES) {
          if (changed.some((field) => fields.includes(field))) for (const field of fields) reads.add(field);
        }
        for (const field of looked) reads.add(field);
        for (const field of changed) writes.add(field);
        this.state = after;
      }
    }
    const after = this.touched
      .filter((one) => meet(one.writes, reads) || meet(one.writes, writes) || meet(one.reads, writes))
      .map((one) => one.id);
    this.touched.push({ id, reads, writes });
    this.steps.push({
      id,
      what: what.join(' '),
      why,
      doubt,
      does: sentences.flat(),
      state: this.state,
      after,
    });
    return this;
  }
}
