import { expose } from "comlink";
import { fileJobs } from "./read-files";

expose(fileJobs);
