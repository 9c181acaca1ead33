/** An act that was never sent. */
export class Dropped extends Error {}
/** An act that was saved and came to something else than this window had planned, since another window was quicker or the page is older than the server: everything is fetched. */
export class SavedOtherwise extends Error {}
