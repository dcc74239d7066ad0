/** A bar from nothing to done; `share` 0 to 1. */
export function ProgressBar({ share, label }: { readonly share: number; readonly label: string }) {
  const percent = Math.round(share * 100);
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuenow={percent}
      aria-valuemin={0}
      aria-valuemax={100}
      className="h-1.5 w-full overflow-hidden rounded-full bg-line"
    >
      <div className="h-full rounded-full bg-main" style={{ width: `${percent}%` }} />
    </div>
  );
}
