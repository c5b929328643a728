/** Three slats and the name. */
export function Wordmark() {
  return (
    <span className="flex items-center gap-2 font-serif text-xl">
      <svg aria-hidden="true" width="20" height="18" viewBox="0 0 20 18">
        <path d="M0 0h20v4H0zM0 8l20-2v4L0 12zM0 14h20v4H0z" fill="currentColor" />
      </svg>
      Jalousie
    </span>
  );
}
