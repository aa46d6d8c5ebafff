import { expose } from "comlink";
import { pitchJobs } from "./track-pitch";

expose(pitchJobs);
