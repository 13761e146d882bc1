# The script and the style that draw the API's description go along with the pages, so that nothing is fetched.
set -eu
cd "$(dirname "$0")/../web"
mkdir -p build/_docs
cp node_modules/swagger-ui-dist/swagger-ui-bundle.js node_modules/swagger-ui-dist/swagger-ui.css build/_docs/
