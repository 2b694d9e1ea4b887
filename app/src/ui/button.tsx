import type { LucideIcon } from 'lucide-react-native';
import { Pressable, type PressableProps } from 'react-native';
import { useTarget } from './target';
import { useTheme } from './theme/theme';
import { Words } from './text';

const KINDS = {
  primary: { box: 'bg-identity border-identity', text: 'on-identity' },
  plain: { box: 'bg-sheet border-ink', text: 'ink' },
  quiet: { box: 'bg-transparent border-transparent', text: 'identity' },
  danger: { box: 'bg-sheet border-danger', text: 'danger' },
} as const;

export interface ButtonProps extends Omit<PressableProps, 'children' | 'style'> {
  readonly label: string;
  readonly kind?: keyof typeof KINDS;
  readonly icon?: LucideIcon;
}

/** A button a gloved thumb can hit: 48 px at least, 56 on site. */
export function Button({
  label,
  kind = 'plain',
  icon: Icon,
  disabled,
  className = '',
  ...rest
}: ButtonProps) {
  const { palette } = useTheme();
  const target = useTarget();
  const { box, text } = KINDS[kind];
  return (
    <Pressable
      role="button"
      disabled={disabled}
      aria-disabled={disabled ?? false}
      style={target}
      className={`max-w-full print:hidden flex-row items-center justify-center gap-2 rounded-xl border-2 px-4 py-2 ${box} ${disabled ? 'opacity-50' : ''} ${className}`}
      {...rest}
    >
      {Icon ? <Icon size={20} color={palette[text]} aria-hidden /> : null}
      <Words weight="semi" colour={text} className="shrink text-center">
        {label}
      </Words>
    </Pressable>
  );
}

/** A button that is only a picture; its name is read out. */
export function IconButton({
  icon: Icon,
  name,
  className = '',
  ...rest
}: Omit<PressableProps, 'children' | 'style'> & { icon: LucideIcon; name: string }) {
  const { palette } = useTheme();
  const { minHeight } = useTarget();
  return (
    <Pressable
      role="button"
      aria-label={name}
      style={{ width: minHeight, height: minHeight }}
      className={`items-center justify-center rounded-xl print:hidden ${className}`}
      {...rest}
    >
      <Icon size={24} color={palette.ink} aria-hidden />
    </Pressable>
  );
}
