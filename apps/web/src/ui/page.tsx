import type { ReactNode } from 'react';

/** A page of a list or a form: its heading, what can be done with the whole, and the content. */
export function Page({
  title,
  actions,
  children,
}: {
  readonly title: ReactNode;
  readonly actions?: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <div className="mx-auto grid w-full max-w-6xl content-start gap-6 px-5 py-8">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="min-w-0 grow text-28">{title}</h1>
        {actions}
      </div>
      {children}
    </div>
  );
}
