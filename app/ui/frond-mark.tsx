/** The mark: a frond whose leaflets shorten towards the tip. */
export function FrondMark({ className }: { className?: string }) {
  const leaflets = Array.from({ length: 7 }, (_, i) => {
    const y = 50 - i * 6.4;
    const x = 28 + i * 0.9 + (i > 4 ? (i - 4) * 1.2 : 0);
    const length = 19 - i * 2.1;
    return `M${x} ${y}q${-length * 0.5} ${-1} ${-length} ${-length * 0.62}M${x} ${y - 2}q${length * 0.5} ${0} ${length} ${-length * 0.5}`;
  });
  return (
    <svg
      viewBox="0 0 64 64"
      className={className}
      fill="none"
      stroke="currentColor"
      strokeWidth="3"
      strokeLinecap="round"
      aria-hidden="true"
    >
      <path d="M27 60C28 42 30 24 40 6" />
      <path d={leaflets.join("")} />
    </svg>
  );
}
