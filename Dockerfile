# The application is built in one stage; the other has what runs: the build and the packages of its run time.
FROM node:20-slim AS build
WORKDIR /shade
COPY package.json package-lock.json .npmrc ./
RUN npm ci --no-audit --no-fund
COPY . .
RUN npm run build && npm prune --omit=dev

FROM node:20-slim
WORKDIR /shade
ENV HOST=0.0.0.0 PORT=4321 NODE_ENV=production
COPY --from=build /shade/package.json ./
COPY --from=build /shade/node_modules ./node_modules
COPY --from=build /shade/dist ./dist
USER node
EXPOSE 4321
HEALTHCHECK --interval=30s --timeout=5s --start-period=20s \
  CMD ["node", "-e", "fetch(`http://127.0.0.1:${process.env.PORT}/api/v1/health`).then(({ ok }) => process.exit(ok ? 0 : 1), () => process.exit(1))"]
CMD ["node", "dist/server/serve.mjs"]
