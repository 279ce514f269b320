import { JudgePanel } from "../judge/judge-panel.tsx";
import { KindsPanel } from "./kinds-panel.tsx";

export const LightLists = () => (
  <>
    <KindsPanel />
    <JudgePanel />
  </>
);
