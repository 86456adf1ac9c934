import type { FieldError } from '@roskel/contract/validate';

export class NotFound extends Error {}

/** A write based on an old revision; carries what is there now so that the maker can choose. */
export class Stale extends Error {
  constructor(readonly current: unknown) {
    super('This was changed in another window since you opened it.');
  }
}

/** Input that fits its shape but cannot be. */
export class Unfit extends Error {
  constructor(
    message: string,
    readonly errors: FieldError[],
  ) {
    super(message);
  }
}
