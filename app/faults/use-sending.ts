import { useNavigation } from "react-router";

/** Whether a form of the page is being sent, or what it led to is being read. */
export const useSending = (): boolean => useNavigation().state !== "idle";
