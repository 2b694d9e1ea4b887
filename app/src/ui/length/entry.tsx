import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react';

/** A field that takes a length: what is typed into it, whoever types. */
export interface LengthTarget {
  readonly id: string;
  readonly label: string;
  readonly text: string;
  readonly type: (text: string) => void;
  readonly focus: () => void;
}

interface Entry {
  /** The field that has the focus, or had it last until entry was ended. */
  readonly active: LengthTarget | undefined;
  /** Whether nothing was typed since the field got the focus: the first key then replaces what is there. */
  readonly fresh: boolean;
  readonly enter: (id: string) => void;
  readonly register: (target: LengthTarget) => void;
  readonly forget: (id: string) => void;
  readonly typeInto: (text: string) => void;
  readonly next: () => void;
  readonly end: () => void;
}

const EntryContext = createContext<Entry | undefined>(undefined);

/** The fields of a screen that a number pad and a laser measure type into, in their order on the screen. */
export function LengthEntry({ children }: { children: ReactNode }) {
  const targets = useRef(new Map<string, LengthTarget>());
  const [activeId, setActiveId] = useState<string>();
  const [fresh, setFresh] = useState(false);
  const [, setTick] = useState(0);
  const register = useCallback((target: LengthTarget) => {
    const before = targets.current.get(target.id);
    targets.current.set(target.id, target);
    if (before && before.text !== target.text) setTick((tick) => tick + 1);
  }, []);
  const forget = useCallback((id: string) => {
    targets.current.delete(id);
    setActiveId((now) => (now === id ? undefined : now));
  }, []);
  const enter = useCallback((id: string) => {
    setActiveId(id);
    setFresh(true);
  }, []);
  const active = activeId === undefined ? undefined : targets.current.get(activeId);
  const entry = useMemo<Entry>(() => {
    const typeInto = (text: string) => {
      if (activeId !== undefined) targets.current.get(activeId)?.type(text);
      setFresh(false);
    };
    const next = () => {
      const inOrder = [...targets.current.values()].sort((a, b) => order(a.id, b.id));
      const index = inOrder.findIndex(({ id }) => id === activeId);
      const following = inOrder[index + 1];
      if (following) following.focus();
      else setActiveId(undefined);
    };
    return { active, fresh, enter, register, forget, typeInto, next, end: () => setActiveId(undefined) };
  }, [active, activeId, fresh, enter, register, forget]);
  return <EntryContext.Provider value={entry}>{children}</EntryContext.Provider>;
}

/** Order of two fields on the page. */
function order(a: string, b: string): number {
  if (typeof document === 'undefined') return 0;
  const [one, other] = [document.getElementById(a), document.getElementById(b)];
  if (!one || !other) return 0;
  return one.compareDocumentPosition(other) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1;
}

export const useLengthEntry = () => useContext(EntryContext);
