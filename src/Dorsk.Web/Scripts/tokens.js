// A colour or size of the theme that is on, by its name in the styles.
export const token = (name) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
