import { expose } from "comlink";
import { analysisJobs } from "./analyse-chart";

expose(analysisJobs);
