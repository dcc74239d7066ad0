import { type ClassValue, clsx } from 'clsx';
import { extendTailwindMerge } from 'tailwind-merge';

const merge = extendTailwindMerge({
  extend: {
    theme: { text: ['13', '14', '16', '18', '22', '28', '36'], radius: ['control', 'card'], shadow: ['float'] },
  },
});

/** Joins classes; of two that set the same thing, the later wins. */
export function joinClasses(...classes: ClassValue[]): string {
  return merge(clsx(classes));
}
