/** Whether this page was kept by this device and opened without the server (`public/sw.js` marks it). */
export const isKeptPage = (): boolean => typeof document !== 'undefined' && document.documentElement.dataset.kept !== undefined;
