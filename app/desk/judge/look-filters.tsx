/**
 * Filters in linear light: grey of the same luminance, and how colours are seen without one kind of cone. Machado, Oliveira
 * and Fernandes, "A physiologically-based model for simulation of color vision deficiency", 2009, at full severity.
 */
const MATRICES = {
  grey: [0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722, 0.2126, 0.7152, 0.0722],
  protanopia: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  deuteranopia: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  tritanopia: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
};

export const LookFilters = () => (
  <svg aria-hidden="true" className="absolute h-0 w-0">
    {Object.entries(MATRICES).map(([name, m]) => (
      <filter key={name} id={`look-${name}`} colorInterpolationFilters="linearRGB">
        <feColorMatrix
          values={`${[0, 3, 6].map((k) => `${m.slice(k, k + 3).join(" ")} 0 0`).join(" ")} 0 0 0 1 0`}
        />
      </filter>
    ))}
  </svg>
);
