/** A panel of the settings of a class. */
export const panelStyle = 'grid content-start gap-4 rounded-card border border-line bg-card p-5';
