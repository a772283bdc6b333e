/** Which shapes this build was made for: a digest of the API's description. */
declare const __SHAPES__: string;
