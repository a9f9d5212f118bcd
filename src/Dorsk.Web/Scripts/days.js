// Beside a date field: the day in words, so that nobody takes the month for the day. Browsers order a date by their own language.
const words = (value) => {
  const [year, month, day] = value.split('-').map(Number);
  if (!day) return '';
  const at = new Date(Date.UTC(year, month - 1, day));
  const part = (options) => at.toLocaleDateString('en-GB', { ...options, timeZone: 'UTC' });
  return `${part({ weekday: 'short' })} ${day} ${part({ month: 'long' })} ${year}`;
};

export function dayWords() {
  document.addEventListener('input', (e) => {
    const place = e.target.type === 'date' && document.querySelector(`[data-day-of="${e.target.id}"]`);
    if (place) place.textContent = words(e.target.value);
  });
}
