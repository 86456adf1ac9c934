/** What a page says while what was typed cannot be sent. */
export const NOT_STORED = 'Not stored yet: the server does not answer. Your work is kept here and stored as soon as it does.';
