import { gate } from './gate';

const problem = (type: string) => `urn:fine-spray:problem:${type}`;
beforeEach(() => gate.opened());

describe('the way in', () => {
  it('is shut by what says that nobody is signed in, and opened when somebody is', () => {
    gate.refused(problem('signed-out'));
    expect(gate.current()).toBe('signed-out');
    gate.opened();
    expect(gate.current()).toBeUndefined();
  });

  it('stays open where a PIN or a password is not right, or a role may not', () => {
    for (const type of ['wrong-secret', 'not-allowed', 'too-many']) gate.refused(problem(type));
    expect(gate.current()).toBeUndefined();
  });

  it('says what tells more, in whatever order several calls are refused', () => {
    for (const type of ['no-company', 'revoked'] as const) {
      gate.opened();
      gate.refused(problem('signed-out'));
      gate.refused(problem(type));
      gate.refused(problem('signed-out'));
      expect(gate.current()).toBe(type);
    }
  });
});
