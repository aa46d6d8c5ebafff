import { expose } from "comlink";
import { collectionJobs } from "./identify-tunes";

expose(collectionJobs);
