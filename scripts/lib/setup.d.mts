/** Path of the Chromium that the browser tests use, installed by apt-get when there is none. */
export function ensureChromium(): string;
