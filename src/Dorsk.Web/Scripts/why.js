// One open why at a time; Escape or a touch elsewhere closes it.
export function whyCards() {
  const open = () => document.querySelectorAll('details.why[open]');
  document.addEventListener(
    'toggle',
    (e) => {
      if (!(e.target instanceof HTMLDetailsElement) || !e.target.open || !e.target.matches('.why')) return;
      for (const other of open()) if (other !== e.target) other.open = false;
      const card = e.target.querySelector('.why-card');
      if (card.getBoundingClientRect().right > innerWidth) card.classList.add('flip');
    },
    true,
  );
  document.addEventListener('keydown', (e) => {
    if (e.key === 'Escape')
      for (const d of open()) {
        d.open = false;
        d.querySelector('summary').focus();
      }
  });
  document.addEventListener('click', (e) => {
    for (const d of open()) if (!d.contains(e.target)) d.open = false;
  });
}
