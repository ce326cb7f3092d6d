export declare const isTaken: (license: string) => boolean;
export declare const isPackageTaken: (name: string, license: string) => boolean;
