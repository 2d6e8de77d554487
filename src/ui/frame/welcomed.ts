/** The cookie that says which roles have been told on this device; read by the server, so that nothing moves once the page is there. */
export const WELCOMED = 'welcomed';
