export { TOOLS, TOOL_KINDS, toolSize, type ToolKind, type ToolSize } from './tools.js';
