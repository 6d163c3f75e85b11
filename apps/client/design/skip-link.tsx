import type { MouseEvent } from 'react';

function toThePage(event: MouseEvent): void {
  event.preventDefault();
  const main = document.querySelector('main');
  if (!main) return;
  if (main.tabIndex < 0) main.tabIndex = -1;
  main.focus();
}

/** The first stop of the Tab key: past what stands on every page. */
export const SkipLink = () => (
  <a href="#main" className="skip" onClick={toThePage}>
    Skip to the page
  </a>
);
