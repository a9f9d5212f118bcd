// A figure with the farm's decimal sign and parted thousands, as the pages print it.
const comma = () => document.documentElement.dataset.sign === ',';

export const figure = (v, decimals) =>
  v.toLocaleString(comma() ? 'de' : 'en', {
    minimumFractionDigits: decimals ?? 0,
    maximumFractionDigits: decimals ?? 3,
  });
