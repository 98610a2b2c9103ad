'use client';

export function PrintButton() {
  return (
    <button type="button" className="press press-main" onClick={() => window.print()}>
      Print this page
    </button>
  );
}
