import { useEffect, useRef } from "react";
import styles from "./Chart.module.css";

/** Values over a row of names, as bars or as a line. */
interface ChartSeries {
  readonly name: string;
  readonly kind: "bar" | "line";
  /** Undefined where there is none: a line has a gap there. */
  readonly values: readonly (number | undefined)[];
}

interface ChartProps {
  /** What stands along the bottom. */
  readonly names: readonly string[];
  /** Bars of several series stand on one another. */
  readonly series: readonly ChartSeries[];
  /** What the values are: "minutes", "%". */
  readonly unit: string;
  readonly height?: number;
}

/** The ramp of bars: light and dark alternating, each with a line around it. */
const SHADES = ["--chart-1", "--chart-2", "--chart-3", "--chart-4", "--chart-5", "--chart-6"];

/**
 * A picture of values, drawn by ECharts when it is first needed, in the colours of the theme. Hidden from readers: whoever shows it has
 * the same values in a table.
 */
export function Chart({ names, series, unit, height = 200 }: ChartProps) {
  const box = useRef<HTMLDivElement>(null);
  const drawn = JSON.stringify([names, series, unit]);
  useEffect(() => {
    let isCurrent = true;
    let stop: (() => void) | undefined;
    void import("./echarts").then(({ echarts }) => {
      const node = box.current;
      if (!isCurrent || !node) return;
      const chart = echarts.init(node, undefined, { renderer: "svg" });
      const draw = () => chart.setOption(optionOf(JSON.parse(drawn) as Drawn, node), true);
      draw();
      const resized = new ResizeObserver(() => chart.resize());
      resized.observe(node);
      // The theme is an attribute of the page.
      const themed = new MutationObserver(draw);
      themed.observe(document.documentElement, { attributes: true, attributeFilter: ["data-theme"] });
      stop = () => {
        resized.disconnect();
        themed.disconnect();
        chart.dispose();
      };
    });
    return () => {
      isCurrent = false;
      stop?.();
    };
  }, [drawn]);
  return <div ref={box} className={styles.chart} style={{ blockSize: height }} aria-hidden="true" />;
}

type Drawn = readonly [ChartProps["names"], ChartProps["series"], string];

function optionOf([names, series, unit]: Drawn, node: HTMLElement) {
  const style = getComputedStyle(node);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const [ink, soft, line, card] = ["--ink", "--soft", "--line", "--card"].map(colour) as [
    string,
    string,
    string,
    string,
  ];
  const text = { color: soft, fontFamily: style.fontFamily, fontSize: 12 };
  return {
    animation: false,
    grid: { left: 44, right: 12, top: series.length > 1 ? 34 : 18, bottom: 26 },
    textStyle: text,
    legend: {
      show: series.length > 1,
      top: 0,
      left: 0,
      textStyle: { ...text, color: ink },
      icon: "rect",
      itemWidth: 12,
      itemHeight: 12,
    },
    tooltip: {
      trigger: "axis",
      backgroundColor: card,
      borderColor: ink,
      borderRadius: 0,
      shadowBlur: 0,
      textStyle: { ...text, color: ink },
      valueFormatter: (value: unknown) => (typeof value === "number" ? `${Math.round(value)} ${unit}` : "–"),
    },
    xAxis: {
      type: "category",
      data: names,
      axisLine: { lineStyle: { color: ink } },
      axisTick: { show: false },
      axisLabel: text,
    },
    yAxis: {
      type: "value",
      name: series.length > 1 ? "" : unit,
      nameTextStyle: { ...text, align: "left" },
      splitLine: { lineStyle: { color: line } },
      axisLabel: text,
    },
    series: series.map(({ name, kind, values }, at) => ({
      name,
      type: kind,
      stack: kind === "bar" ? "all" : undefined,
      data: values.map((value) => value ?? null),
      symbol: "rect",
      symbolSize: 7,
      barMaxWidth: 40,
      lineStyle: { color: ink, width: 2 },
      itemStyle: {
        color: kind === "line" ? ink : colour(SHADES[at % SHADES.length] ?? "--ink"),
        borderColor: ink,
        borderWidth: kind === "line" ? 0 : 1,
      },
    })),
  };
}
