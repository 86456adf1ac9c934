/** Something that cannot work, with the station it belongs to; `field` names the parameter, log entry or intake. */
export class LineProblem extends Error {
  constructor(
    readonly stationId: string,
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}
