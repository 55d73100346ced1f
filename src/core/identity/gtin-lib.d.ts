/** The published library that barcodes are checked against; it comes without types. */
declare module 'gtin' {
  export function isGTIN(code: string): boolean;
  export function isValid(code: string): boolean;
}
