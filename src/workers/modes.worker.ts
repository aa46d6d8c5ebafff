import { expose } from "comlink";
import { modeJobs } from "./ask-modes";

expose(modeJobs);
