/** Letters that the page's own family lacks: Arabic, Hebrew, Thai, Japanese, Chinese, Korean. The browser fetches the part of a font that a name needs. */
import '@fontsource-variable/noto-sans-arabic/wght.css';
import '@fontsource-variable/noto-sans-hebrew/wght.css';
import '@fontsource-variable/noto-sans-thai/wght.css';
import '@fontsource-variable/noto-sans-jp/wght.css';
import '@fontsource-variable/noto-sans-sc/wght.css';
import '@fontsource-variable/noto-sans-kr/wght.css';
