import { expose } from "comlink";
import { modeJobs } from "./reckon";

expose(modeJobs);
