import { expose } from "comlink";
import { readingJobs } from "./read-chart";

expose(readingJobs);
