// Ctrl and K open the page that finds things; a plain letter would take the key from whoever types or speaks.
export function findKey() {
  document.addEventListener('keydown', (e) => {
    if (e.key.toLowerCase() !== 'k' || !(e.ctrlKey || e.metaKey) || e.altKey || e.shiftKey) return;
    const to = document.querySelector('.to-find');
    if (!to) return;
    e.preventDefault();
    location.href = to.href;
  });
}
