import { useEffect, useState } from 'react';
import { TextField } from '@/ui/field';

const linesOf = (text: string): string[] =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Lines of text, one under the other: empty ones are let go. */
export function TextLines({
  label,
  lines,
  error,
  onChange,
}: {
  label: string;
  lines: readonly string[];
  error: string | undefined;
  onChange: (lines: string[]) => void;
}) {
  const [typed, setTyped] = useState(lines.join('\n'));
  const stored = lines.join('\n');
  useEffect(() => {
    // Undone, or changed elsewhere.
    setTyped((now) => (linesOf(now).join('\n') === stored ? now : stored));
  }, [stored]);
  return (
    <TextField
      label={label}
      value={typed}
      multiline
      error={error}
      onChange={(next) => {
        setTyped(next);
        onChange(linesOf(next));
      }}
    />
  );
}
