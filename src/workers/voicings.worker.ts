import { expose } from "comlink";
import { voicingJobs } from "./finger";

expose(voicingJobs);
