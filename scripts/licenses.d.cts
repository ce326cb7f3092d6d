export declare const isTaken: (license: string) => boolean;
