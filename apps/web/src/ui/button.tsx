import { cva, type VariantProps } from 'class-variance-authority';
import type { ComponentProps } from 'react';
import { joinClasses } from './join-classes.ts';

export const buttonStyle = cva(
  'inline-flex shrink-0 items-center justify-center gap-2 rounded-control font-medium whitespace-nowrap transition-colors duration-150 disabled:opacity-50',
  {
    variants: {
      look: {
        main: 'bg-main text-on-main hover:bg-main-hover',
        plain: 'border border-edge bg-card text-ink hover:bg-main-tint',
        quiet: 'text-ink hover:bg-main-tint',
        danger: 'border border-brick text-brick hover:bg-brick-tint',
      },
      size: { small: 'h-8 px-2.5 text-14', normal: 'h-9 px-3.5 text-14', roomy: 'h-11 px-5 text-16' },
    },
    defaultVariants: { look: 'plain', size: 'normal' },
  },
);

type Props = ComponentProps<'button'> & VariantProps<typeof buttonStyle>;

export function Button({ look, size, className, type = 'button', ...rest }: Props) {
  return <button type={type} className={joinClasses(buttonStyle({ look, size }), className)} {...rest} />;
}
