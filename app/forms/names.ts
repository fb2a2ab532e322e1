/** Names of the hidden fields every form of ours carries. */

/** The form's own key: the same form sent twice is done once. */
export const keyField = 'form-key';
export const keyShape = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
/** The household the form's page is of: another tab may have switched to another one meanwhile. */
export const homeField = 'home';
/** What the form was filled in from, so that nobody overwrites unseen what somebody else has stored meanwhile. */
export const seenField = 'seen';
