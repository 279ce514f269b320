/** The picture that is on its way from the drawer to the scan page: files cannot travel in an address. */
let held: File | null = null;

export const isPicture = (file: File): boolean =>
  /^image\/(png|jpeg|webp)$/.test(file.type) || /\.(png|jpe?g|webp)$/i.test(file.name);

export const PICTURES = ".png,.jpg,.jpeg,.webp,image/png,image/jpeg,image/webp";

export function holdScan(file: File): void {
  held = file;
}

export const heldScan = (): File | null => held;
