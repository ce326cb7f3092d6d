/** The path of the first browser that is there; undefined where none is. */
export declare const browserPath: () => string | undefined;

export const BROWSER_ARGS: string[];
