import { ImageDown } from "lucide-react";

interface Props {
  readonly label: string;
  /** File endings and types, as an input takes them. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly className?: string;
}

/** Opens the system's own choice of a picture; the same one can be chosen again. */
export const PictureButton = ({ label, accept, onFile, className = "" }: Props) => (
  <label
    className={`flex cursor-pointer items-center justify-center gap-2 rounded-md border border-edge focus-within:outline-2 focus-within:outline-fern hover:bg-well ${className}`}
  >
    <ImageDown size={16} aria-hidden /> {label}
    <input
      type="file"
      accept={accept}
      className="sr-only"
      onChange={({ target }) => {
        const [file] = target.files ?? [];
        target.value = "";
        if (file) onFile(file);
      }}
    />
  </label>
);
