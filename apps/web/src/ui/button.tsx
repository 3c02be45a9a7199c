import type { ButtonHTMLAttributes, ReactNode } from 'react';

const looks = {
  primary: 'bg-inverse text-inverse-ink border-inverse hover:opacity-90',
  plain: 'bg-raised text-ink border-line-strong hover:bg-ground',
  quiet: 'bg-transparent text-ink-soft border-transparent hover:bg-ground hover:text-ink',
  hand: 'bg-hand text-hand-ink border-hand hover:opacity-90',
} as const;
const sizes = {
  small: 'px-2 py-1 text-[13px] gap-1.5 thumb',
  normal: 'px-3 py-1.5 gap-2 thumb',
  floor: 'px-6 min-h-16 text-2xl font-semibold gap-3',
} as const;

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: keyof typeof looks;
  readonly size?: keyof typeof sizes;
  readonly icon?: ReactNode;
}

export const buttonClass = (look: keyof typeof looks = 'plain', size: keyof typeof sizes = 'normal') =>
  `inline-flex items-center justify-center rounded-md border font-medium whitespace-nowrap disabled:opacity-45 disabled:cursor-not-allowed ${looks[look]} ${sizes[size]}`;

export const Button = ({
  look = 'plain',
  size = 'normal',
  icon,
  className = '',
  children,
  ...rest
}: ButtonProps) => (
  <button type="button" {...rest} className={`${buttonClass(look, size)} ${className}`}>
    {icon}
    {children}
  </button>
);
