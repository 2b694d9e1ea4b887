import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { Pressable, View } from 'react-native';
import { Words } from './text';

interface Toast {
  readonly text: string;
  readonly undo?: (() => void) | undefined;
}

const ToastContext = createContext<(toast: Toast) => void>(() => undefined);

/** How long a toast stays: long enough to find "Undo" with a glove on. */
const STAY = 8000;

/** Says what was done and offers to undo it. One at a time; a new one replaces the last. */
export function ToastProvider({ children }: { children: ReactNode }) {
  const [toast, setToast] = useState<Toast>();
  const show = useCallback((next: Toast) => setToast(next), []);
  useEffect(() => {
    if (!toast) return undefined;
    const timer = setTimeout(() => setToast(undefined), STAY);
    return () => clearTimeout(timer);
  }, [toast]);
  const value = useMemo(() => show, [show]);
  return (
    <ToastContext.Provider value={value}>
      {children}
      {toast ? (
        <View
          role="status"
          aria-live="polite"
          className="absolute bottom-40 left-4 right-4 mx-auto max-w-[520px] flex-row items-center gap-3 rounded-xl bg-ink px-4 py-2"
        >
          <Words className="flex-1 text-sheet">{toast.text}</Words>
          {toast.undo ? (
            <Pressable
              role="button"
              className="min-h-[56px] justify-center px-3"
              onPress={() => {
                toast.undo?.();
                setToast(undefined);
              }}
            >
              <Words weight="bold" className="text-sheet underline">
                Undo
              </Words>
            </Pressable>
          ) : null}
        </View>
      ) : null}
    </ToastContext.Provider>
  );
}

export const useToast = () => useContext(ToastContext);
