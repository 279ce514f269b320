import { useNavigate } from "react-router";
import { useDeskStore } from "../store/use-desk.ts";
import { takeUpGuided } from "./guided.ts";

/** Goes to the guided spot, which may be the drawing on this desk. */
export function useShowMe(): () => void {
  const desk = useDeskStore();
  const navigate = useNavigate();
  return async () => {
    const id = await takeUpGuided();
    if (id !== desk.getState().id) await navigate(`/desk/${id}`);
  };
}
